declare function value(base: number, exponent: number): number
export default value
