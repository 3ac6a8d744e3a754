/** How a number came of what was typed. */
export const CARRY_SUM = {
  whole: 'Typed {typed} on average; {steps}.',
  step: '{by} {what}',
  run: 'for the run',
  height: 'for the height',
  air: 'for wind and air',
  speed: 'for the called speed',
  ball: 'for the range ball',
  plus: 'for what was called',
  weighed: 'by what each ball weighs and the others say',
} as const
