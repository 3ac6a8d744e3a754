import { yardsToMetres } from '../units'

/** Known well enough: within this, 8 times in 10. About half of a common step between stock shots (common practice). */
export const WITHIN_M = yardsToMetres(3)
