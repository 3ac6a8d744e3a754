const OPEN = ['/sign-in', '/sign-up', '/join', '/new-password', '/what-is-kept', '/for-programs', '/card']

/** True for a page that needs no signed-in coach. */
export const isOpenPage = (path: string): boolean => OPEN.includes(path)
