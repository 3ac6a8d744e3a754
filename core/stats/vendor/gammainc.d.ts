declare function value(x: number, s: number): number
export default value
