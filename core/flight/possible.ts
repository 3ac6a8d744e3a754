/** What a ball's launch can be at all: m/s, degrees, rpm. Our choice, far beyond any wedge. */
export const POSSIBLE = {
  speedMs: [0.5, 100],
  launchDeg: [-10, 89],
  azimuthDeg: [-80, 80],
  spinRpm: [0, 20_000],
  tiltDeg: [-90, 90],
} as const
