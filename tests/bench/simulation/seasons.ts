/** npm run seasons: whether rounds find what is planted, and how often they tell what is not there. */
import { readFileSync, writeFileSync } from 'node:fs'
import { newMemo } from '../../../core/memo'
import { courseShift } from '../../../core/rounds/cost'
import { workFor } from '../../../core/rounds/work'
import { yardsToMetres as yd } from '../../../core/units'
import { makeDice } from './dice'
import { CARRIES_M, LEVEL_PLAYED, season, shotOfSeason, type Planted } from './season'

const SEASONS = 400
const ROUNDS = 8
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
process.stdout.write(`${tables}\n`)
if (process.argv.includes('--write')) {
  const path = 'docs/rounds.md'
  const [from, to] = ['<!-- tables: begin -->', '<!-- tables: end -->']
  const text = readFileSync(path, 'utf8')
  writeFileSync(path, `${text.slice(0, text.indexOf(from))}${from}\n\n${tables}\n\n${text.slice(text.indexOf(to))}`)
}
