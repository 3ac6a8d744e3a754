/** A stock shot's launch and spin, held against what they are to be. */
export const GOALS = {
  launchDeg: 'Launch {least} to {most}°',
  spinRpm: 'Spin {least} to {most} rpm',
  none: '{goal}: no ball was read.',
  counts: '{goal}: {met} of {n, plural, one {# ball} other {# balls}} inside{missed}.',
  missed: ', {parts}',
  under: '{n} under',
  over: '{n} over',
} as const
