/** Why a ball is on record and not in the numbers. */
export const SET_ASIDE = {
  'too-windy': 'the wind was too strong to take out',
  'no-flight-there': 'no ball of this club comes down there at that height: look at height and distance',
  'no-stock-carry': 'no stock shot carries so little or so much',
  'called-plus':
    'called with a plus or minus, it is no stock shot; what a plus does for this player is known from 6 such balls ' +
    'over 2 sizes on',
} as const

export const SET_ASIDE_COUNTS = {
  forSome: 'for {n}, {why}',
  all: '{n, plural, one {# ball is} other {# balls are}} on record but not in the numbers: {reasons}.',
} as const
