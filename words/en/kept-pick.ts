/** Where a shot on the course ended. */
export const ENDED = { fine: 'Fine', short: 'Short', long: 'Long', left: 'Left', right: 'Right' } as const

export const KEPT_PICK = {
  line: '{target} with {shot}, {how}: {ended}',
  by: '{off} {ended}',
} as const
