import { widenByDoubt } from './ball-doubt'
import { mirror, passTime, type Belief } from './belief'
import { MODEL } from './constants'
import { candidatesOf, explanations } from './explanations'
import { priorOfCells, USUAL_SPREAD, verdictsOf, type Fit, type FitOptions, type ModelSession } from './fit'
import { oddCells } from './odd-cells'
import type { ModelCell } from './prior'
import { mixBeliefs, type Candidate } from './regularity'
import { absorbAll, addInformation, prepare, roomFor, settle, USUAL_REGULARITY } from './settle'
import type { Spread, SpreadSums } from './spread'

/** Everything that the sessions before the live one say, folded into a belief for each way to explain them. */
export interface Folded {
  cells: readonly ModelCell[]
  /** Day of the newest session folded. */
  day: number
  /** The likeliest explanation's first, by regularity. */
  candidates: Candidate[]
  /** Cells that go by their own balls in the likeliest. */
  odd: readonly number[]
  spread: Spread
  seen: SpreadSums
  information: Float64Array
  options: FitOptions
}

/** Settles the earlier sessions once. Null when none of them has a shot: there is nothing to fold then. */
export function foldSessions(
  cells: readonly ModelCell[],
  sessions: readonly ModelSession[],
  options: FitOptions = USUAL_SPREAD,
): Folded | null {
  const works = prepare(sessions, cells.length).map(entry => entry.work)
  if (works.length === 0) return null
  const day = works.at(-1)!.day
  const all = explanations(priorOfCells(cells), cells.length, works, day, options)
  const { settled, information, odd } = all[0]!
  return {
    cells,
    day,
    candidates: all.flatMap(candidatesOf),
    odd,
    spread: settled,
    seen: settled,
    information,
    options,
  }
}

const REGULARITIES = MODEL.regularities.length
/** Where freeing a cell may be worth so much, its balls need the full fit; others may wait for it. Our choice. */
const WORTH_THE_FULL_FIT = 2

const sum = (values: readonly number[]) => values.reduce((total, value) => total + value, 0)

/**
 * The model with one more session, the earlier ones kept as they were folded: its time does not grow with them.
 * Their shots are not judged again in the light of the new ones, so carries differ from the full fit by some
 * thousandths; refit in full when there is time.
 * @param session on the folded day or later
 * @returns as `fitModel`, with the verdicts of this session alone; null where its balls lie apart from what the earlier
 *   ones say: then only the full fit tells why
 */
export function continueFit(folded: Folded, session: ModelSession, today: number): Fit | null {
  const n = folded.cells.length
  const works = prepare([session], n).map(entry => entry.work)
  const room = roomFor(n, works)
  const copy = ({ mean, covariance }: Belief): Belief => ({ mean: mean.slice(), covariance: covariance.slice() })
  const usual = copy(folded.candidates[MODEL.regularities.indexOf(USUAL_REGULARITY)]!.belief)
  const { spread, looseness, degrees, mishitShare, cellDegrees, passes, last } = settle(
    room,
    usual,
    works,
    folded.day,
    folded.options,
    folded.spread,
    folded.seen,
  )
  const before = copy(usual)
  passTime(before, folded.day, works[0]?.day ?? folded.day, folded.options.changes)
  if (oddCells(before, last, works, folded.odd, WORTH_THE_FULL_FIT).length > 0) return null
  const candidates = folded.candidates.map(({ belief, logWeight }): Candidate => {
    const own = copy(belief)
    const evidence = absorbAll(room, own, works, folded.day, folded.options.changes)
    widenByDoubt(own, works)
    passTime(own, Math.max(folded.day, works[0]?.day ?? folded.day), today, folded.options.changes)
    mirror(own.covariance, n)
    return { belief: own, logWeight: logWeight + evidence }
  })
  const { weights, ...belief } = mixBeliefs(candidates)
  return {
    ...belief,
    regularity: MODEL.regularities.map((_, k) => sum(weights.filter((__, i) => i % REGULARITIES === k))),
    spread,
    looseness,
    cellDegrees,
    mishitShare,
    passes,
    explanations: folded.candidates.length / REGULARITIES,
    degrees: Math.max(MODEL.leastDegrees, folded.options.spreadBalls + degrees),
    information: addInformation(folded.information.slice(), n, works),
    verdicts: [verdictsOf(works[0], session.shots.length)],
  }
}
