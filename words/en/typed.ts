/** What is wrong with a ball as it was typed. */
export const TYPED = {
  allowed: 'type {min} to {max} {unit}',
  empty: 'No carry yet: {allowed}.',
  notANumber: '"{part}" is not a number: {allowed}.',
  tooFine: '"{part}" is finer than can be measured: one decimal at most.',
  outOfRange: '{part} {unit} is not possible: {allowed}.',
  extra:
    '"{part}" is not understood: 4r is 4 {unit} right, 4l left, t79 a total of 79, s6600 spin, l29 launch, ' +
    'b85 ball speed, c68 club speed, h24 height, f80 how full it felt.',
  unit: '"{part}" has a unit that does not go with it.',
  sideM: '"{part}" is too far beside the line.',
  totalM: '"{part}" is not a possible total.',
  spinRpm: '"{part}" is not a possible spin: {least} to {most} rpm.',
  launchDeg: '"{part}" is not a possible launch: {least} to {most}°. Left of the line is 4l.',
  ballSpeedMs: '"{part}" is not a possible ball speed: {least} to {most} {speed}.',
  clubSpeedMs: '"{part}" is not a possible club speed: {least} to {most} {speed}.',
  apexM: '"{part}" is not a possible height: up to {most} {height}.',
  feltPercent: '"{part}" is not possible: how full it felt is {least} to {most} per cent.',
  felt: 'felt {percent} %',
} as const
