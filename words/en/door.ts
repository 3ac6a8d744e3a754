/** What stands beside the doors, and while a page is on its way. */
export const DOOR = {
  claim: 'How far each wedge really carries, with each length of swing, and where the yardages are missing.',
  late: 'This page is slow to come. Check the connection, then load it again.',
  noScript: 'Uzzet works the numbers out in the browser: allow it JavaScript.',
} as const
