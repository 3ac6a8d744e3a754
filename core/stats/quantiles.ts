/** Φ⁻¹(0.9): a tenth on each side leaves 8 in 10. */
export const Z_80 = 1.2815515655446004

/** Φ⁻¹(0.975): a fortieth on each side leaves 19 in 20. */
export const Z_95 = 1.959963984540054
