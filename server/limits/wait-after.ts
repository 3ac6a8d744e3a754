/**
 * Wrong tries at one account from one address before each further one has to wait. A person mistypes a few times. Our
 * choice.
 */
const FREE_TRIES = 5
const LONGEST_WAIT_S = 900

/**
 * How long the next try has to wait after so many, seconds: 2, 4, 8, up to a quarter of an hour; 0 for the first few.
 */
export function waitAfter(tries: number): number {
  return tries <= FREE_TRIES ? 0 : Math.min(LONGEST_WAIT_S, 2 ** (tries - FREE_TRIES))
}
