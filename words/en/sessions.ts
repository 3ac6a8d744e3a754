/** How a session went. */
export const SESSIONS = {
  fresh: '{n, plural, one {# new number} other {# new numbers}}',
  moved: '{n, plural, one {# number} other {# numbers}} not what was expected',
  nothingNew: 'nothing new',
  notInPile: 'not put into a pile',
  minutes: '{minutes} min',
  hours: '{hours} h',
  hoursAndMinutes: '{hours} h {minutes} min',
  wentPast: 'went past it {n}',
  stoppedShort: 'stopped short of it {n}',
  swung: 'Asked for {swing}, {how} of the last {of}.',
  misreads: '{n} misreads of the last {of}: change the ball, check the device.',
  flyers: '{n} flyers of the last {of}: clean the face.',
} as const

/** Marks of a ball. */
export const MARK_NAMES = {
  'mishit': 'Mishit',
  'flyer': 'Flyer',
  'face open': 'Face open (push)',
  'face closed': 'Face closed (pull)',
  'swung long': 'Swung long',
  'swung short': 'Swung short',
  'thin': 'Thin',
  'heavy': 'Heavy',
  'toe': 'Toe',
  'heel': 'Heel',
} as const
