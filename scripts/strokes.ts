/** npm run strokes: writes core/pick/built-strokes.ts, what a leave costs each level, from what it follows from. */
import { writeFileSync } from 'node:fs'
import { LEVELS } from '../core/level'
import { newMemo } from '../core/memo'
import { buildStrokes } from '../core/pick/strokes'

const PARTS = 100_000
const steps = LEVELS.map(level => {
  const parts = Array.from(buildStrokes(level, newMemo()), strokes => Math.round(PARTS * strokes))
  return `  ${level}: [${parts.map((value, i) => value - (parts[i - 1] ?? 0)).join(', ')}],`
})
writeFileSync(
  'core/pick/built-strokes.ts',
  `import type { Level } from '../level'

/** A stroke has so many parts. */
export const STROKE_PARTS = ${PARTS}

/** Written by \`npm run strokes\`: by whole yards from 0, how many parts more it costs than a yard before. */
export const BUILT_STEPS: Record<Level, readonly number[]> = {
${steps.join('\n')}
}
`,
)
