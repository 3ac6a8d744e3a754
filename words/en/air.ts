/** What air, height and range balls did to what was measured. */
export const AIR = {
  into: 'into {wind}',
  downwind: 'downwind {wind}',
  across: 'across {wind}',
  noWind: 'in that air',
  toPlace: 'to a place {height}',
  toLevel: 'to about the level',
  tooStrong: '{way}: {measured} measured; the wind was too strong to count',
  corrected: '{way}: {measured} measured, {neutral} in neutral air, ± {plusMinus} for the air',
  levelled: '{way}: {measured} measured, {neutral} on the level, ± {plusMinus} for the ground',
} as const

/** What a wind is where the ball flies, and what the rule of thumb would make of it. */
export const WIND_THERE = {
  same: 'The wind where the ball flies is about {there}.',
  higher: '{judged} where it was judged is about {there} where the ball flies.',
  rule: 'The usual 1 % a mph into it, half that with it, would say {rule}.',
  more: 'A lofted ball hangs up there longer than the rule allows for; a flatter shot comes nearer to it.',
  rough: 'In so strong a wind this is a rough figure.',
} as const

/** The wind along the line that one ball told. */
export const WIND_ALONG = {
  into: '{wind} in the face, ± {plusMinus}.',
  downwind: '{wind} from behind, ± {plusMinus}.',
  calm: 'No wind to speak of along the line, ± {plusMinus}.',
} as const

export const RANGE_BALLS = {
  usual: 'Range balls are taken to fly {loss} % shorter at 100 yd, ± {plusMinus}, as is usual.',
  own:
    'Your range balls lose {loss} % at 100 yd, ± {plusMinus}: from {pairs, plural, one {# stock shot} other {# stock ' +
    'shots}} hit with both balls.',
  alone: 'From range balls alone: good to go by, but all numbers may be up to {plusMinus} % long or short together.',
  help: '{n} balls of your own with {count, plural, one {{shots}} other {each of {shots}}}: {all} balls',
  then: 'They tell what range balls lose: ± {then} % for ± {now} % now.',
  first: 'First {balls} balls of your own: they tell what range balls lose.',
} as const

/** What a monitor's carries are of. */
export const CARRY_AIR = {
  flown: 'as it flew',
  calm: 'worked out for calm air',
  unknown: 'not sure which',
} as const
