/** What can be done with a session as a whole. */
export type SessionDialog = 'rename' | 'merge' | 'move'
