/** The pooled model against R's lme4 on the same balls: a full fit, one more ball, what to hit next. */
import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { fitModel, type ModelSession } from '../../core/model/fit'
import { continueFit, foldSessions } from '../../core/model/live'
import { ballsToGo, hitNext } from '../../core/model/next-shot'
import type { ModelCell } from '../../core/model/prior'
import { median, report } from './report'
import { makeDice } from './simulation/dice'

const LOFTS = [60, 57, 54, 51, 48, 45, 42]
const FRACTIONS = [0.4, 0.5, 0.6, 0.74, 0.87, 1]
const CELLS_A_VISIT = 10
const cells: ModelCell[] = LOFTS.flatMap((loftDeg, club) =>
  FRACTIONS.map((fraction, rung) => ({ club, rung, loftDeg, lnFraction: Math.log(fraction) })),
)

interface RecordSpec {
  shots: number
  visits: number
  /** Stock shots of 42 that are no relatives of the others, 25 to 60 % off. */
  odd?: number
  /** Share of balls that are mishit; one in fourteen when left away. */
  mishits?: number
}

/**
 * Balls of one player with a quirk to each cell, ten cells a visit: scatter of 3.3 % of carry + 30 m, some of them poor
 * strikes.
 */
function sessionsOf({ shots, visits, odd = 0, mishits = 0.07 }: RecordSpec): ModelSession[] {
  const dice = makeDice(shots + odd)
  const truth = cells.map(c => Math.log(95) - 0.03 * (c.loftDeg - 52) + c.lnFraction + 0.03 * dice.normal())
  for (const cell of dice.shuffle(cells.map((_, i) => i)).slice(0, odd))
    truth[cell]! += dice.pick([-1, 1]) * Math.log(dice.between(1.25, 1.6))
  return Array.from({ length: visits }, (_, v) => {
    const form = 0.012 * dice.normal()
    const hit = Array.from({ length: CELLS_A_VISIT }, () => Math.floor(dice.uniform() * cells.length))
    const list = Array.from({ length: shots / visits }, (_, k) => {
      const cell = hit[k % CELLS_A_VISIT]!
      const clean = Math.exp(truth[cell]! + form)
      const carryM = clean + 0.033 * (clean + 30) * dice.normal()
      const poor = dice.uniform() < mishits
      return { cell, carryM: poor ? carryM * dice.between(0.5, 0.95) : carryM, measSdM: 0.9, balls: 1 }
    })
    return { day: v * 7, shots: list }
  })
}

/** Median processor time of one round, milliseconds: other work on the machine does not count. */
function timed(work: () => unknown, rounds: number): number {
  for (let i = 0; i < Math.max(3, rounds >> 2); i++) work()
  return median(
    Array.from({ length: rounds }, () => {
      const start = process.cpuUsage()
      work()
      const { user, system } = process.cpuUsage(start)
      return (user + system) / 1000
    }),
  )
}

const R = `suppressMessages(library(lme4)); f <- commandArgs(TRUE); for (p in f) { d <- read.csv(p); for (v in c("club", "rung", "cell", "visit")) d[[v]] <- factor(d[[v]])
t <- sapply(1:7, function(i) sum(system.time(suppressMessages(suppressWarnings(lmer(y ~ x * l + (1 | club) + (1 | rung) + (1 | cell) + (1 | visit), d))))[1:2])); cat(median(t) * 1000, "\\n") }`

/** Median milliseconds of lme4 on each of the records, or null where R or lme4 is not at hand. */
function lme4(records: readonly ModelSession[][]): number[] | null {
  const dir = mkdtempSync(join(tmpdir(), 'uzzet-lme4-'))
  try {
    const paths = records.map((sessions, r) => {
      const path = join(dir, `${r}.csv`)
      const rows = sessions.flatMap((s, visit) =>
        s.shots.map(shot =>
          [
            Math.log(shot.carryM),
            cells[shot.cell]!.loftDeg / 10 - 5.2,
            cells[shot.cell]!.lnFraction,
            cells[shot.cell]!.club,
            cells[shot.cell]!.rung,
            shot.cell,
            visit,
          ].join(','),
        ),
      )
      writeFileSync(path, `y,x,l,club,rung,cell,visit\n${rows.join('\n')}\n`)
      return path
    })
    const done = spawnSync('Rscript', ['-e', R, ...paths], { encoding: 'utf8' })
    return done.status === 0 ? done.stdout.trim().split('\n').map(Number) : null
  } finally {
    rmSync(dir, { recursive: true })
  }
}

const { tell, note, done } = report('model')
const RECORDS: RecordSpec[] = [
  { shots: 30, visits: 2 },
  { shots: 60, visits: 10 },
  { shots: 60, visits: 3, odd: 3 },
  { shots: 120, visits: 4, mishits: 0.25 },
  { shots: 240, visits: 12, odd: 8 },
  { shots: 600, visits: 20 },
  { shots: 600, visits: 20, odd: 3 },
  { shots: 1200, visits: 30, mishits: 0.2 },
  { shots: 6000, visits: 100 },
  { shots: 6000, visits: 40, odd: 12 },
]
const records = RECORDS.map(sessionsOf)
const theirs = lme4(records)
if (!theirs) process.stdout.write('lme4 is not at hand (Debian: r-cran-lme4): the model is timed alone.\n')
const ours: number[] = []
RECORDS.forEach(({ shots, visits, odd, mishits }, i) => {
  const today = records[i]!.at(-1)!.day
  const took = timed(() => fitModel(cells, records[i]!, today), shots > 1000 ? 7 : 30)
  ours.push(took)
  const { passes, explanations } = fitModel(cells, records[i]!, today)
  const kind = `${odd ? `, ${odd} of them odd` : ''}, ${shots} balls${mishits ? `, ${mishits} mishit` : ''}`
  const what = `Full fit, 42 cells${kind}, ${visits} visits: ${passes} passes, ${explanations} explanations`
  if (theirs) tell(what, took, 'lme4, without drift, mishits or prior', theirs[i]!, 'all ten: at most 0.2×')
  else note(what, `${took.toFixed(1)} ms`, 'a fifth of lme4')
})
const total = (list: readonly number[]) => list.reduce((sum, value) => sum + value, 0)
if (theirs) tell('Full fit of all ten', total(ours), 'lme4', total(theirs), 'at most 0.2×')
const SIZES = [
  { at: 1, visits: 10 },
  { at: 5, visits: 20 },
  { at: 8, visits: 100 },
]
for (const { at, visits } of SIZES) {
  const sessions = records[at]!
  const live = sessions.at(-1)!
  const folded = foldSessions(cells, sessions.slice(0, -1))!
  note(
    `One more ball, ${visits - 1} earlier visits folded`,
    `${timed(() => continueFit(folded, live, live.day), 60).toFixed(2)} ms`,
    'at most 5 ms, whatever the visits',
  )
}
const fit = fitModel(cells, records[5]!, records[5]!.at(-1)!.day)
const rule = { measSdM: 0.9, balls: 3, need: cells.map(() => 1) }
note('What to hit next of 42 cells', `${timed(() => hitNext(fit, rule), 200).toFixed(2)} ms`, 'under 1 ms')
note(
  'How many balls are still to hit',
  `${timed(() => ballsToGo(fitModel(cells, records[1]!.slice(0, 1), 0), rule, 2.7), 20).toFixed(1)} ms`,
  'once a ball, in the worker',
)
done()
