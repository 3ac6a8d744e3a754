/** Where a ball stops, beside where it pitches. */
export const TOTAL = {
  total: 'Total {total} on {ground} ground; the run is known to about half of itself.',
} as const
