/** Where each stage of the work stands, in a few words. */
export const STAGES = {
  bag: '{n, plural, one {# club} other {# clubs}}, {school}',
  running: 'ball {balls}',
  startMeasuring: 'start measuring',
  noneRunning: 'none running',
  noBalls: 'no balls yet',
  enough: 'good enough',
  someKnown: '{within} of {all} known',
  noNumbers: 'no numbers',
  measured: '{n} measured',
  nothingToDo: 'nothing to do',
  stillOpen: '{n} still open',
  covered: '{within} of {all} covered',
  flags: '{n, plural, one {# flag} other {# flags}}',
  cardOf: 'card of {day}',
  noCard: 'no card yet',
  goes: '{n, plural, one {# go} other {# goes}}',
  noGoes: 'nothing yet',
  homework: '{n, plural, one {homework} other {# homework}}',
  rounds: '{n, plural, one {# round} other {# rounds}}',
  noRounds: 'none yet',
  retestDue: 'retest due',
  roundsWaiting: '{n} to see',
  workingOut: '…',
} as const

/** Of a player without clubs or swing lengths. */
export const NO_BAG = {
  bag: 'start here',
  session: 'needs a bag',
  chart: 'no balls yet',
  gaps: 'no numbers',
  pick: 'no card yet',
  practice: 'nothing yet',
  rounds: 'none yet',
} as const
