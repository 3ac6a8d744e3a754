/** npm run seasons: whether rounds find what is planted, and how often they tell what is not there. */
import { readFileSync, writeFileSync } from 'node:fs'
import { newMemo } from '../../../core/memo'
import { courseShift } from '../../../core/rounds/cost'
import { workFor } from '../../../core/rounds/work'
import { yardsToMetres as yd } from '../../../core/units'
import { makeDice } from './dice'
import { newTally, rmse, share } from './errors'
import { ballsUntilCalled, swingChange } from './retests'
import { CARRIES_M, LEVEL_PLAYED, season, shotOfSeason, type Planted } from './season'

const SEASONS = 400
const ROUNDS = 8
const RETESTS = 200
const FIRST_SEED = 70_000
const memo = newMemo()

/** Of so many seasons those in which the planted shot is the first, and among the first three, of the list. */
function foundRow(name: string, planted: Omit<Planted, 'shot'>): string {
  let [first, three] = [0, 0]
  for (let i = 0; i < SEASONS; i++) {
    const wrong = { shot: i % CARRIES_M.length, ...planted }
    const work = workFor(season(makeDice(FIRST_SEED + i), ROUNDS, wrong), LEVEL_PLAYED, memo)
    const place = work.findIndex(({ clubId }) => clubId === shotOfSeason(wrong.shot).clubId)
    if (place === 0) first++
    if (place >= 0 && place < 3) three++
  }
  return `| ${name} | ${percent(three)} | ${percent(first)} |`
}
const percent = (n: number) => `${((100 * n) / SEASONS).toFixed(1)} %`

function shiftRow(shortYd: number): string {
  let told = 0
  for (let i = 0; i < SEASONS; i++)
    if (courseShift(season(makeDice(FIRST_SEED + SEASONS + i), ROUNDS, null, -yd(shortYd)))) told++
  return `| ${shortYd === 0 ? 'none' : `${shortYd} yd short`} | ${percent(told)} |`
}

/** Errors of all numbers after a retest, yards, and how often the 8-in-10 interval holds. */
function changeRow([together, alone]: readonly [number, number]): string {
  const tally = newTally()
  for (let i = 0; i < RETESTS; i++) swingChange(tally, FIRST_SEED + 2 * SEASONS + i, together, alone)
  const [marked, unmarked] = ['marked', 'unmarked'].map(what => `${rmse(tally, what).toFixed(2)} yd`)
  const held = ['marked', 'unmarked'].map(what => `${share(tally, `${what} held`).toFixed(0)} in 100`)
  const what = together === 0 ? 'nothing' : `${100 * together} %, each ${100 * alone} % of its own`
  return `| ${[what, marked, unmarked, ...held].join(' | ')} |`
}

const CALLED_WITHIN = [3, 5, 8, 12]
function calledRow(movedYd: number): string {
  const most = CALLED_WITHIN.at(-1)!
  const called = Array.from({ length: RETESTS }, (_, i) =>
    ballsUntilCalled(FIRST_SEED + 3 * SEASONS + i, yd(movedYd), most),
  )
  const within = CALLED_WITHIN.map(balls => called.filter(ball => ball !== null && ball <= balls).length / RETESTS)
  return `| ${movedYd} yd | ${within.map(part => `${(100 * part).toFixed(1)} %`).join(' | ')} |`
}

const tables = [
  '| planted | among the first three | the first |',
  '|---|---|---|',
  foundRow('twice as loose', { looser: 2 }),
  foundRow('half of that: 1.5 times', { looser: 1.5 }),
  foundRow('a quarter: 1.25 times', { looser: 1.25 }),
  foundRow('6 yd off its number', { offM: -yd(6) }),
  foundRow('half of that: 3 yd', { offM: -yd(3) }),
  foundRow('a quarter: 1.5 yd', { offM: -yd(1.5) }),
  '',
  '| shift on the course | told within eight rounds |',
  '|---|---|',
  ...[0, 2.5, 5].map(shiftRow),
].join('\n')

const retests = [
  '| the swing changes numbers by | error marked | not marked | interval holds marked | not marked |',
  '|---|---|---|---|---|',
  ...(
    [
      [0, 0],
      [0.02, 0.015],
      [0.05, 0.03],
      [0.08, 0.05],
    ] as const
  ).map(changeRow),
  '',
  `| one number has moved by | ${CALLED_WITHIN.map(balls => `called within ${balls} balls`).join(' | ')} |`,
  `|---|${'---|'.repeat(CALLED_WITHIN.length)}`,
  ...[0, 3, 6, 9].map(calledRow),
].join('\n')
process.stdout.write(`${tables}\n\n${retests}\n`)
if (process.argv.includes('--write')) {
  const path = 'docs/rounds.md'
  const put = (text: string, name: string, table: string) => {
    const [from, to] = [`<!-- ${name}: begin -->`, `<!-- ${name}: end -->`]
    return `${text.slice(0, text.indexOf(from))}${from}\n\n${table}\n\n${text.slice(text.indexOf(to))}`
  }
  writeFileSync(path, put(put(readFileSync(path, 'utf8'), 'tables', tables), 'retests', retests))
}
