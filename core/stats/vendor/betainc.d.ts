declare function value(x: number, a: number, b: number): number
export default value
