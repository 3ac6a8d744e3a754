/** The stock shot that is nearest to a distance, as a coach says it. */
export const NEAREST = {
  exact: '{shot}, just the number',
  plus: '{shot}, plus {n}',
  minus: '{shot}, minus {n}',
} as const
