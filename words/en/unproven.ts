/** Stretches of the cover whose number is thin or old. */
export const UNPROVEN = {
  stretch: '{from} to {to}',
  thin: '{stretch} ({shot}, ± {plusMinus}: about {balls, plural, one {# ball} other {# balls}})',
  old: '{stretch} ({shot}, last hit {days, plural, one {# day} other {# days}} ago: {balls} balls)',
  andMore: '{named} and {n} more',
  all: 'Not proven yet: {stretches}.',
} as const
