/** What a number that is believed, or written, costs. */
export const BELIEVED = {
  right: 'right',
  over: 'trusted, it lands {off} over the back',
  short: 'trusted, it lands {off} short',
  contradicted: '{written} is written, the balls say {measured}: {odds} in 100 that it is more than {off} off.',
} as const

/** Where the balls of a stock shot finish. */
export const PATTERN = {
  right: '{n} of {balls} balls finish right',
  left: '{n} of {balls} balls finish left',
  onLine: 'on the line',
  rightBy: '{off} right',
  leftBy: '{off} left',
  whole:
    '{most}, {short} pitch more than 2 {unit} short. Middle {middle}; the middle 8 in 10 of them lie {width} wide.',
} as const
