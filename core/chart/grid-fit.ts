import { exp, ln } from '../stats/exact'
import { cellKey, isGridClub, isStruckOut, rungsInUse, clubsInUse, type Bag, type StockShot } from '../bag/bag'
import type { Level } from '../level'
import { shotErrorM } from '../shot/measuring'
import { dayOf, type NeutralPlayer } from '../shot/player-shots'
import type { NeutralShot } from '../shot/shot'
import { rungFractions, type Rung } from '../swing/scale'
import { isCalledOut } from '../corrections/called-out'
import { withoutOwnBalls } from './without-own-balls'
import { withSameLoss, type SessionBalls } from './same-loss'
import type { Change } from '../model/belief'
import { MODEL, SPREAD_BALLS_OF_LEVEL, SPREAD_OF_LEVEL } from '../model/constants'
import {
  fitModel,
  USUAL_SPREAD,
  type Fit,
  type FitOptions,
  type ModelSession,
  type ModelShot,
  type Verdict,
} from '../model/fit'
import { continueFit, foldSessions, type Folded } from '../model/live'
import { plainRecord } from '../model/plain-record'
import type { ModelCell } from '../model/prior'
import { groupByCell } from '../shot/by-cell'

/** The model's view of a player: cells by index, the fit, and the plain records beside it. */
export interface GridFit {
  cells: readonly StockShot[]
  indexOf: ReadonlyMap<string, number>
  /** 1 for cells in use, 0 for struck-out and retired ones. */
  need: number[]
  fit: Fit
  /** The fit's covariance before what all range balls share was added; missing where they share nothing. */
  apart?: Float64Array
  /** Fits of single cells, by key, of clubs outside the grid's lofts. */
  plain: ReadonlyMap<string, Fit>
  /** Of cells whose number lies beyond all their balls: what the fit says without these, metres, by key. */
  without: ReadonlyMap<string, number>
  /** By shot id; a shot that could not be taken is not among them. */
  verdicts: ReadonlyMap<string, Verdict>
  /** Day of the newest session with a counting ball; null without any. */
  lastDay: number | null
}

/**
 * Days from which on numbers may be others. Days are those of UTC: where the marked day began while one of them ran,
 * and balls were hit only before that, it is the next.
 */
export function changeDays({ changes = [], sessions }: Pick<NeutralPlayer, 'changes' | 'sessions'>): Change[] {
  return changes.map(({ atMs, kind }) => {
    const day = dayOf(atMs)
    const started = sessions.map(session => session.startedAtMs).filter(ms => dayOf(ms) === day)
    return { day: started.length > 0 && started.every(ms => ms < atMs) ? day + 1 : day, kind }
  })
}

/** @param player with what was marked and called; without one only the level tells */
export function spreadOptions(
  level: Level,
  player: Pick<NeutralPlayer, 'changes' | 'sessions' | 'shots'> = { sessions: [], shots: [] },
): FitOptions {
  const stated = { spread: SPREAD_OF_LEVEL[level], spreadBalls: SPREAD_BALLS_OF_LEVEL }
  const changes = changeDays(player)
  const out = player.shots.filter(shot => shot.balls === 1 && isCalledOut(shot))
  const mishits = out.filter(shot => shot.strike === 'mishit').length
  return {
    ...USUAL_SPREAD,
    ...(level !== 'unknown' && stated),
    ...(changes.length > 0 && { changes }),
    ...(out.length > 0 && { judgedByCoach: { mishits, others: out.length - mishits } }),
  }
}

/** Swing lengths of one school and label are one family, whatever their flight. */
function familyOf(rung: Rung, school: string): string {
  return `${rung.school ?? school} ${rung.label.trim().toLowerCase()}`
}

/** The cells of the model: the grid in use, and retired cells that have shots, which still tell of the player. */
export function modelCells(bag: Bag, shots: readonly NeutralShot[]): { cells: StockShot[]; modelCells: ModelCell[] } {
  const clubs = bag.clubs.filter(isGridClub)
  const hit = new Set(shots.map(cellKey))
  const fractions = rungFractions(bag.scale)
  const families = [...new Set(bag.scale.rungs.map(rung => familyOf(rung, bag.scale.school)))]
  const all = [...clubs]
    .sort((a, b) => b.loftDeg - a.loftDeg)
    .flatMap(club => bag.scale.rungs.map((rung, r) => ({ club, rung, r })))
    .filter(
      ({ club, rung }) => (!club.retired && !rung.retired) || hit.has(cellKey({ clubId: club.id, rungId: rung.id })),
    )
  return {
    cells: all.map(({ club, rung }) => ({ clubId: club.id, rungId: rung.id })),
    modelCells: all.map(({ club, rung, r }) => ({
      club: clubs.indexOf(club),
      rung: families.indexOf(familyOf(rung, bag.scale.school)),
      flight: rung.flight,
      loftDeg: club.loftDeg,
      lnFraction: ln(fractions[r]!.fraction),
      rungDoubt: fractions[r]!.known ? 1 : MODEL.unknownRungDoubt,
    })),
  }
}

function toModelShot(shot: NeutralShot, cell: number): ModelShot {
  const { strike, suspect } = shot
  return {
    cell,
    carryM: shot.carryM,
    measSdM: shotErrorM(shot),
    balls: shot.balls,
    ...(strike === 'clean' && { counts: true }),
    ...(strike !== 'clean' && suspect && { suspect }),
    // A mishit or a flyer by the coach's word is not among them: what is left is thin, heavy, toe or heel.
    ...(strike !== null && strike !== 'clean' && { suspect: 'mishit' as const }),
    ...(shot.extentM !== undefined && { extentM: shot.extentM }),
  }
}

interface Group {
  id: string
  day: number
  daySd: number
  lossSd?: number
  shots: NeutralShot[]
}

/** Counting shots by session, oldest day first; sessions that are not on record go by the time of their first shot. */
function bySession({ sessions, shots }: Pick<NeutralPlayer, 'sessions' | 'shots'>): Group[] {
  const known = new Map(sessions.map(session => [session.id, session]))
  const groups = new Map<string, NeutralShot[]>()
  for (const shot of shots) {
    if (shot.leftOut !== null) continue
    const group = groups.get(shot.sessionId)
    if (group) group.push(shot)
    else groups.set(shot.sessionId, [shot])
  }
  return [...groups]
    .map(([id, list]) => {
      const session = known.get(id)
      const has = (method: NeutralShot['method']) => list.some(shot => shot.method === method)
      const ownSd = has('guess')
        ? MODEL.guessedDaySd
        : has('paces') || session?.ball === 'range'
          ? MODEL.roughDaySd
          : MODEL.daySd
      const daySd = Math.hypot(ownSd, session?.commonSd ?? 0)
      const day = dayOf(session?.startedAtMs ?? Math.min(...list.map(shot => shot.hitAtMs)))
      return { id, day, daySd, ...(session?.lossSd !== undefined && { lossSd: session.lossSd }), shots: list }
    })
    .sort((a, b) => a.day - b.day || (a.id < b.id ? -1 : 1))
}

/** The sessions as the model takes them, of the shots whose cell it has. */
function modelSessions(
  groups: readonly Group[],
  indexOf: ReadonlyMap<string, number>,
): { id: string; session: ModelSession; ids: string[]; lossSd: number | undefined }[] {
  return groups
    .map(({ id, day, daySd, lossSd, shots }) => {
      const own = shots.filter(shot => indexOf.has(cellKey(shot)))
      return {
        id,
        session: { day, daySd, shots: own.map(shot => toModelShot(shot, indexOf.get(cellKey(shot))!)) },
        ids: own.map(shot => shot.id),
        lossSd,
      }
    })
    .filter(({ ids }) => ids.length > 0)
}

const ballsOf = ({ session, lossSd }: ReturnType<typeof modelSessions>[number]): SessionBalls => ({
  ...(lossSd !== undefined && { lossSd }),
  balls: session.shots,
})

/** Earlier sessions folded, for the live rule: handed back in, they are not gone over again. */
export interface Kept {
  folded: Folded
  /** How many, and the session that is live: the newest, which is not among them. */
  sessions: number
  live: string
  verdicts: ReadonlyMap<string, Verdict>
}

/**
 * Fits the model to a player's record.
 * @param kept what `foldEarlier` folded; valid as long as bag, level and all but its live session are as they were. Not
 *   used when another session has become the newest.
 */
export function fitGrid(player: NeutralPlayer, kept?: Kept): GridFit {
  const { bag, shots, nowMs } = player
  const { cells, modelCells: model } = modelCells(bag, shots)
  const indexOf = new Map(cells.map((cell, i) => [cellKey(cell), i]))
  const groups = bySession(player)
  const today = dayOf(nowMs)
  const options = spreadOptions(player.level, player)
  const sessions = modelSessions(groups, indexOf)
  const newest =
    kept && kept.sessions === sessions.length - 1 && kept.live === sessions.at(-1)?.id ? sessions.at(-1) : undefined
  const continued = kept && newest ? continueFit(kept.folded, newest.session, today) : null
  const live = continued ? newest : undefined
  const fit =
    continued ??
    fitModel(
      model,
      sessions.map(s => s.session),
      today,
      options,
    )
  const verdicts = new Map(live ? kept!.verdicts : [])
  const judge = (ids: readonly string[], list: readonly Verdict[]) =>
    ids.forEach((id, k) => {
      if (!Number.isNaN(list[k]!.clean)) verdicts.set(id, list[k]!)
    })
  if (live) judge(live.ids, fit.verdicts[0]!)
  else sessions.forEach(({ ids }, s) => judge(ids, fit.verdicts[s]!))
  for (const shot of shots)
    if (isCalledOut(shot)) verdicts.set(shot.id, { clean: 0, fault: shot.strike === 'flyer' ? 'flyer' : 'mishit' })

  const plain = new Map<string, Fit>()
  const inUse = new Set(
    [...clubsInUse(bag)].flatMap(club => rungsInUse(bag).map(rung => cellKey({ clubId: club.id, rungId: rung.id }))),
  )
  const counting = shots.filter(
    shot => shot.leftOut === null && !indexOf.has(cellKey(shot)) && inUse.has(cellKey(shot)),
  )
  for (const key of groupByCell(counting).keys()) {
    const own = modelSessions(groups, new Map([[key, 0]]))
    const single = plainRecord(
      own.map(s => s.session),
      today,
      { ...options, judgedByCoach: undefined },
    )
    plain.set(key, { ...single, covariance: withSameLoss(single, own.map(ballsOf)) })
    own.forEach(({ ids }, s) => judge(ids, single.verdicts[s]!))
  }
  const fitWithout = (cell: number) => {
    const others = sessions.map(({ session }) => ({
      ...session,
      shots: session.shots.filter(one => one.cell !== cell),
    }))
    return exp(fitModel(model, others, today, options).mean[cell]!)
  }
  // Between one ball and the next nobody reads why.
  const without = live ? new Map<string, number>() : withoutOwnBalls(shots, fit, indexOf, fitWithout)
  const need = cells.map(cell => (inUse.has(cellKey(cell)) && !isStruckOut(bag, cell) ? 1 : 0))
  const covariance = withSameLoss(fit, sessions.map(ballsOf))
  return {
    cells,
    indexOf,
    need,
    fit: { ...fit, covariance },
    ...(covariance !== fit.covariance && { apart: fit.covariance }),
    plain,
    without,
    verdicts,
    lastDay: groups.at(-1)?.day ?? null,
  }
}

/** Folds all sessions but the newest; null when there is nothing before it. */
export function foldEarlier(player: NeutralPlayer, full: GridFit): Kept | null {
  const { modelCells: model } = modelCells(player.bag, player.shots)
  const sessions = modelSessions(bySession(player), full.indexOf)
  const live = sessions.at(-1)
  if (!live) return null
  const folded = foldSessions(
    model,
    sessions.slice(0, -1).map(s => s.session),
    spreadOptions(player.level, player),
  )
  return folded && { folded, sessions: sessions.length - 1, live: live.id, verdicts: full.verdicts }
}
