declare function value(p: number, degrees: number): number
export default value
