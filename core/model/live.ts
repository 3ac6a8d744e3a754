import { ln } from '../stats/exact'
import { mirror, passTime, type Belief } from './belief'
import { MODEL } from './constants'
import { priorOfCells, USUAL_SPREAD, verdictsOf, type Fit, type FitOptions, type ModelSession } from './fit'
import type { ModelCell } from './prior'
import { mixBeliefs, type Candidate } from './regularity'
import { absorbAll, addInformation, prepare, roomFor, settle, spreadBefore, USUAL_REGULARITY } from './settle'
import { noSpreadSums, type Spread, type SpreadSums } from './spread'

/** Everything that the sessions before the live one say, folded into one belief for each regularity. */
export interface Folded {
  cells: readonly ModelCell[]
  /** Day of the newest session folded. */
  day: number
  candidates: Candidate[]
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
  const room = roomFor(cells.length, works)
  const [firstDay, day] = [works[0]!.day, works.at(-1)!.day]
  const priorOf = priorOfCells(cells)
  const before = spreadBefore(options, cells.length)
  const settled = settle(room, priorOf(USUAL_REGULARITY), works, firstDay, options, before, noSpreadSums(cells.length))
  const candidates = MODEL.regularities.map((regularity, k): Candidate => {
    const belief = regularity === USUAL_REGULARITY ? settled.last : priorOf(regularity)
    const evidence =
      regularity === USUAL_REGULARITY
        ? settled.last.evidence
        : absorbAll(room, belief, works, firstDay, options.changes)
    return { belief, logWeight: ln(MODEL.regularityWeights[k]!) + evidence }
  })
  return {
    cells,
    day,
    candidates,
    spread: settled,
    seen: settled,
    information: addInformation(new Float64Array(cells.length ** 2), cells.length, works),
    options,
  }
}

/**
 * The model with one more session, the earlier ones kept as they were folded: its time does not grow with them.
 * Their shots are not judged again in the light of the new ones, so carries differ from the full fit by some
 * thousandths; refit in full when there is time.
 * @param session on the folded day or later
 * @returns as `fitModel`, with the verdicts of this session alone
 */
export function continueFit(folded: Folded, session: ModelSession, today: number): Fit {
  const n = folded.cells.length
  const works = prepare([session], n).map(entry => entry.work)
  const room = roomFor(n, works)
  const copy = ({ mean, covariance }: Belief): Belief => ({ mean: mean.slice(), covariance: covariance.slice() })
  const usual = copy(folded.candidates[MODEL.regularities.indexOf(USUAL_REGULARITY)]!.belief)
  const { spread, looseness, degrees, mishitShare, cellDegrees, passes } = settle(
    room,
    usual,
    works,
    folded.day,
    folded.options,
    folded.spread,
    folded.seen,
  )
  const candidates = folded.candidates.map(({ belief, logWeight }): Candidate => {
    const own = copy(belief)
    const evidence = absorbAll(room, own, works, folded.day, folded.options.changes)
    passTime(own, Math.max(folded.day, works[0]?.day ?? folded.day), today, folded.options.changes)
    mirror(own.covariance, n)
    return { belief: own, logWeight: logWeight + evidence }
  })
  const { weights: regularity, ...belief } = mixBeliefs(candidates)
  return {
    ...belief,
    regularity,
    spread,
    looseness,
    cellDegrees,
    mishitShare,
    passes,
    degrees: Math.max(MODEL.leastDegrees, folded.options.spreadBalls + degrees),
    information: addInformation(folded.information.slice(), n, works),
    verdicts: [verdictsOf(works[0], session.shots.length)],
  }
}
