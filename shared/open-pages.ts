const DOORS = ['/sign-in', '/sign-up', '/join', '/new-password']
const OPEN = [...DOORS, '/what-is-kept', '/for-programs', '/card']

/** True for a page that needs no signed-in coach. */
export const isOpenPage = (path: string): boolean => OPEN.includes(path)

/** True for a page that one comes in by. */
export const isDoor = (path: string): boolean => DOORS.includes(path)
