/** Flags that say that yards are missing, and those that say that two shots do one job. */
export const MISSING: ReadonlySet<string> = new Set(['hole', 'step', 'top-of-bag', 'weak', 'no-floor'])
export const DOUBLED: ReadonlySet<string> = new Set(['overlap', 'crowded', 'out-of-order'])

/** True for a flag about the bag, which a change of the bag can settle: remedies are worked out for it. */
export function canHelp({ flag, variant }: { flag: string, variant?: string }): boolean {
  // A number that is thinly measured or old needs balls, not another bag.
  if (flag === 'weak') return variant === undefined
  return MISSING.has(flag) || DOUBLED.has(flag) || flag === 'uneven-lofts'
}
