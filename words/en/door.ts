/** What stands beside the doors. */
export const DOOR = {
  claim: 'How far each wedge really carries, with each length of swing, and where the yardages are missing.',
} as const
