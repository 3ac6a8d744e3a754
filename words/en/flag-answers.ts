/** What a coach can say to a flag, before and after it is said. */
export const FLAG_ANSWERS = {
  'accepted': { action: 'Accept it', given: 'Accepted' },
  'working': { action: 'Working on it', given: 'Being worked on' },
  'not-a-fault': { action: 'Not a fault', given: 'Not a fault' },
} as const

export const ANSWER_LINE = {
  until: '{answer} until {day}',
  on: '{answer}, said on {day}',
  note: '{line}: {note}',
  changed: 'Its figures have changed since.',
  over: 'That day has come.',
} as const
