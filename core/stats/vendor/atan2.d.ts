declare function value(y: number, x: number): number
export default value
