declare function value(x: number): number
export default value
