/** Where a ball stops, beside where it pitches. */
export const TOTAL = {
  total:
    'Total {total} on {ground, select, soft {soft} firm {firm} other {medium}} ground; the run is known to half of itself.',
} as const
