/** The ball: as heavy as the rules of golf allow at most, as small as they allow at least. [pub] */
export const BALL_KG = 0.04593
export const BALL_DIAMETER_M = 0.04267
export const BALL_RADIUS_M = BALL_DIAMETER_M / 2

/** Share of m·r² that is its moment of inertia: a solid sphere; real balls 0.38 to 0.42. [mem] */
export const INERTIA_SHARE = 0.4

export const rpmToRadS = (rpm: number) => (rpm * Math.PI) / 30
export const radSToRpm = (radS: number) => (radS * 30) / Math.PI
export const toRad = (degrees: number) => (degrees * Math.PI) / 180
export const toDeg = (radians: number) => (radians * 180) / Math.PI
