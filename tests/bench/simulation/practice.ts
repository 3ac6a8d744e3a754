/**
 * npm run levels: the tables of docs/practice.md. What each level usually scores, and how soon a change is told of
 * players who change, and of those who do not.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { newMemo } from '../../../core/memo'
import type { DrillMaker } from '../../../core/practice/drill'
import type { DrillBall, DrillSpec } from '../../../core/practice/drill-spec'
import { DRILLS } from '../../../core/practice/drills'
import { historyOf } from '../../../core/practice/history'
import { levelScores } from '../../../core/practice/level-score'
import { scoreOf } from '../../../core/practice/score'
import { yardsToMetres } from '../../../core/units'
import { drillTexts, valueText } from '../../../words/practice'
import { makeDice } from './dice'

const memo = newMemo()
/** A bag of three clubs and three lengths, yards; common practice. */
const CARRIES = [45, 55, 63, 70, 74, 92, 107, 124, 137]
const maker: DrillMaker = {
  level: 'good',
  numbers: CARRIES.map((carry, i) => ({ clubId: String(i % 4), rungId: String(i % 3), carryM: yardsToMetres(carry) })),
  speedsMs: [],
  clubIds: [],
  unit: 'yd',
  seed: 1,
}
const names = { unit: 'yd' as const, shot: () => '', club: () => '' }
const LEVELS_SHOWN = ['expert', 'good', 'improver', 'beginner'] as const

function levelRows(): string[] {
  return DRILLS.flatMap(({ meta, make }) => {
    const spec = make(maker)
    const bands = spec && levelScores(spec, memo)
    if (!spec || !bands) return []
    const cell = (level: string) => {
      const { value } = bands.find(band => band.level === level)!
      // A go of five straight is told by its share of good ones.
      return valueText(spec.score === 'balls' ? { ...spec, score: 'share' } : spec, value, names)
    }
    return [`| ${drillTexts(meta.id).title} | ${LEVELS_SHOWN.map(cell).join(' | ')} |`]
  })
}

const PLAYERS = 400
const GOES = 25

/** A go of a player whose balls lie so many times as wide as usual. */
function goOf(spec: DrillSpec, times: number, dice: ReturnType<typeof makeDice>) {
  const balls: DrillBall[] = []
  for (let i = 0; ; i++) {
    const { next, values, value } = scoreOf(spec, balls, memo)
    if (next === null) return { values, value: value! }
    const targetM = spec.tasks[next]!.targetM!
    balls.push({
      id: String(i),
      task: next,
      atMs: i,
      endM: targetM * (1 + times * 0.042 * dice.normal()),
      sideM: times * 0.05 * targetM * dice.normal(),
    })
  }
}

/** Of players who change after three goes: share told, and after how many goes half of them are. */
function changeRow(id: string, times: number): string {
  const spec = DRILLS.find(({ meta }) => meta.id === id)!.make(maker)!
  const told: number[] = []
  for (let player = 0; player < PLAYERS; player++) {
    const dice = makeDice(90_000 + player)
    const goes = Array.from({ length: 3 }, () => goOf(spec, 1, dice))
    for (let more = 1; more <= GOES; more++) {
      goes.push(goOf(spec, times, dice))
      if (historyOf(goes, 'more').change !== null) {
        told.push(more)
        break
      }
    }
  }
  told.sort((a, b) => a - b)
  const half = told[Math.ceil(PLAYERS / 2) - 1]
  const share = `${Math.round((100 * told.length) / PLAYERS)} in 100`
  return `| ${drillTexts(id).title} | ${times === 1 ? 'unchanged' : `${times} times as wide`} | ${share} | ${half ?? 'not in 25'} |`
}

const tables = [
  '| drill | expert | good | improver | beginner |',
  '|---|---|---|---|---|',
  ...levelRows(),
  '',
  `| drill | spread after three goes | told within ${GOES} goes | half of them after |`,
  '|---|---|---|---|',
  ...['random-targets', 'stairs', 'circles'].flatMap(id => [1, 0.75, 0.5].map(times => changeRow(id, times))),
].join('\n')
process.stdout.write(`${tables}\n`)
if (process.argv.includes('--write')) {
  const path = 'docs/practice.md'
  const [from, to] = ['<!-- tables: begin -->', '<!-- tables: end -->']
  const text = readFileSync(path, 'utf8')
  writeFileSync(path, `${text.slice(0, text.indexOf(from))}${from}\n${tables}\n${text.slice(text.indexOf(to))}`)
}
