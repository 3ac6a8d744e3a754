/** What each habit of locking a number in is, to be put after its count. */
export const HABITS = {
  alike: { of: 'alike', means: 'in a row, no further apart than twice the ± that a number must be known within' },
  straight: { of: 'straight on the number', means: 'in a row, each within that ± of it' },
  count: { of: 'balls', means: 'that count, wherever they pitched' },
} as const

export const HABIT_COUNTS = { met: '{of} {what}', soFar: '{done} of {of} {what}' } as const
