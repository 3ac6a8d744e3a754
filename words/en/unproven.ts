/** Stretches of the cover whose number is thin or old. */
export const UNPROVEN = {
  stretch: '{from} to {to}',
  thin: '{stretch} ({shot}, ± {plusMinus}: about {balls, plural, one {# ball} other {# balls}})',
  thinOwn: '{stretch} ({shot}, ± {plusMinus}: the ball you play has to settle it, range balls cannot)',
  old: '{stretch} ({shot}, last hit {days, plural, one {# day} other {# days}} ago: {balls} balls)',
  andMore: '{named} and {n} more',
  all: 'Not proven yet: {stretches}.',
} as const
