import { cellKey, isGridClub, clubsInUse, type StockShot } from '../bag/bag'
import { Z_80 } from '../chart/model/normal'
import { coverOf } from '../gaps/cover'
import { sameFlag } from '../gaps/answers'
import type { Finding } from '../gaps/flag'
import type { CoverAt, CoverShot } from '../gaps/stretches'
import { yardsToMetres } from '../units'
import { canHelp, DOUBLED, MISSING } from './can-help'
import type { Layout } from './layout'
import { asItIs, bends, MADE_LOFTS, type WhatIf } from './thought-of'
import { sceneOf, type Judging, type Scene } from './scene'
import { clubLeaves } from './search'

/** In order of cost: what is free, a few balls, a swing to learn, a club maker, a club to buy. */
export const REMEDY_KINDS = ['grip-down', 'calibrate', 'strike-out', 'use-again', 'swing', 'take-out', 'bend', 'add'] as const
export type RemedyKind = typeof REMEDY_KINDS[number]

/** What could be done about a flag, and what would become of cover and flags. */
export interface Remedy {
  kind: RemedyKind
  /** Stock shots it speaks of, as they are called in its what-if. */
  cells: StockShot[]
  /** Of a bent, added or taken-out club. */
  fromDeg?: number
  toDeg?: number
  /** Of a swing length that is added. */
  rungId?: string
  data: Record<string, number>
  /** Mean leave over the stretch that the flag speaks of, metres, before and after. */
  beforeM: number
  afterM: number
  /** Targets within the line, and open flags, before and after. */
  withinBefore: number
  withinAfter: number
  openBefore: number
  openAfter: number
  /** This flag is no longer raised. */
  gone: boolean
  /** The bag it makes; null for what changes no bag. */
  whatIf: WhatIf | null
}

/** Less than this is no help, metres. */
const LEAST_GAIN_M = yardsToMetres(0.3)
const LEAST_SETTLED_M = yardsToMetres(0.1)
/** So many balls are thought of as hit. */
const BALLS = 5

interface Work { layout: Layout, today: Scene, finding: Finding, judging: Judging, targets: number[] }

const meanOf = (at: readonly CoverAt[], targets: readonly number[]) => targets.reduce((sum, t) => sum + at[t]!.leaveM, 0) / targets.length

/** Places in the cover that a flag speaks of: its stretch, or the yards about its stock shots. */
function targetsOf({ finding, today }: Pick<Work, 'finding' | 'today'>): number[] {
  const [fromM, toM] = finding.flag === 'no-floor' ? [0, finding.toM] : [finding.fromM, finding.toM]
  const found = today.cover.at.flatMap((one, i) => one.atM >= fromM - 1 && one.atM <= toM + 1 ? [i] : [])
  return found.length > 0 ? found : today.cover.at.map((_, i) => i)
}

function judged(work: Work, kind: RemedyKind, scene: Scene, more: Partial<Remedy> = {}): Remedy {
  const { today, finding, targets } = work
  return {
    kind, cells: [], data: {}, beforeM: meanOf(today.cover.at, targets), afterM: meanOf(scene.cover.at, targets),
    withinBefore: today.sum?.within ?? 0, withinAfter: scene.sum?.within ?? 0, openBefore: today.open.length, openAfter: scene.open.length,
    gone: finding.flag !== 'weak' && !scene.findings.some(other => sameFlag(other, finding)), whatIf: scene.whatIf, ...more,
  }
}

/** Gripping down is in the cover already: where it is the best shot of the stretch, it is what to do until more is done. */
function gripDown({ today, targets, finding }: Work): Remedy[] {
  const at = targets.map(t => today.cover.at[t]!)
  const shots = at.map(one => today.cover.shots[one.best]!).filter(shot => shot.grippedDown)
  const shot = shots.sort((a, b) => a.carryM - b.carryM)[shots.length >> 1]
  if (!shot || finding.flag === 'no-floor') return []
  const worst = at.filter(one => today.cover.shots[one.best] === shot).reduce((w, one) => one.leaveM > w.leaveM ? one : w)
  const mean = meanOf(today.cover.at, targets)
  const same = { withinBefore: today.sum?.within ?? 0, withinAfter: today.sum?.within ?? 0, openBefore: today.open.length, openAfter: today.open.length }
  return [{ kind: 'grip-down', cells: [{ clubId: shot.clubId, rungId: shot.rungId }], data: { carryM: shot.carryM, leaveM: worst.leaveM }, beforeM: mean, afterM: mean, ...same, gone: false, whatIf: null }]
}

/** A few balls with the stock shot of the stretch that is known least: its doubt, and what it shares with the others, falls. */
function calibrate(work: Work): Remedy[] {
  const { layout, today, targets, judging, finding } = work
  const about = new Map<string, CoverShot>()
  const at = (key: string) => today.cover.shots.findIndex(one => !one.grippedDown && cellKey(one) === key)
  for (const key of [...targets.map(t => cellKey(today.cover.shots[today.cover.at[t]!.best]!)), ...finding.cells.map(cellKey)]) if (at(key) >= 0) about.set(key, today.cover.shots[at(key)]!)
  const shot = [...about.values()].sort((a, b) => b.certaintySdM - a.certaintySdM)[0]
  if (!shot || Z_80 * shot.certaintySdM <= judging.withinM / 2) return []
  const { grid } = layout
  const n = grid.fit.mean.length
  const row = grid.indexOf.get(cellKey(shot))
  if (row === undefined) return []
  const noise = (shot.scatterSdM / shot.carryM) ** 2 / BALLS
  const shots = today.cover.shots.map((one) => {
    const i = grid.indexOf.get(cellKey(one))
    if (i === undefined) return one
    const shared = grid.fit.covariance[i * n + row]!
    const taken = shared * shared / (grid.fit.covariance[row * n + row]! + noise)
    return { ...one, certaintySdM: Math.sqrt(Math.max(0, one.certaintySdM ** 2 - one.carryM ** 2 * taken)) }
  })
  const after = coverOf(shots, { mishitShare: today.cover.mishitShare, spread: grid.fit.spread, sideShare: layout.sides.sd }, today.cover.at.map(one => one.atM))
  const then = shots.find(one => !one.grippedDown && cellKey(one) === cellKey(shot))!
  return [{
    kind: 'calibrate', cells: [{ clubId: shot.clubId, rungId: shot.rungId }], data: { balls: BALLS, plusMinusM: Z_80 * shot.certaintySdM, thenM: Z_80 * then.certaintySdM },
    beforeM: meanOf(today.cover.at, targets), afterM: meanOf(after, targets), withinBefore: today.sum?.within ?? 0, withinAfter: after.filter(one => one.leaveM <= judging.lineM).length,
    openBefore: today.open.length, openAfter: today.open.length, gone: false, whatIf: null,
  }]
}

/** The best of several what-ifs for the stretch: one that settles the flag first, then the one that leaves least. */
function bestOf(work: Work, kind: RemedyKind, tries: readonly { whatIf: WhatIf, more: Partial<Remedy> }[]): Remedy[] {
  const found = tries.map(({ whatIf, more }) => judged(work, kind, sceneOf(work.layout, whatIf, work.judging), more))
  const best = found.sort((a, b) => Number(b.gone) - Number(a.gone) || a.openAfter - b.openAfter || a.afterM - b.afterM)[0]
  return best ? [best] : []
}

const struckOut = (base: WhatIf, cell: StockShot): WhatIf => ({ ...base, struckOut: [...base.struckOut, cell] })

/** The lofts that leave least over the stretch, by what the club's own shots would do there: only these are looked at closely. */
function promising(work: Work, base: WhatIf, clubs: readonly WhatIf['clubs'][number][], count: number): WhatIf['clubs'] {
  const { layout, today, targets } = work
  const targetsM = targets.map(t => today.cover.at[t]!.atM)
  const now = targets.map(t => today.cover.at[t]!.leaveM)
  const score = (club: WhatIf['clubs'][number]) => clubLeaves(layout, club, base, base.struckOut, targetsM).reduce((sum, leaveM, i) => sum + Math.min(leaveM, now[i]!), 0)
  return clubs.map(club => ({ club, score: score(club) })).sort((a, b) => a.score - b.score).slice(0, count).map(one => one.club)
}

/** How many lofts are looked at closely. */
const CLOSELY = 4

/**
 * What could be done about a flag, cheapest first, each with what cover and flags would become. Only what helps is named.
 * @param today the bag as it is, judged the same way
 */
export function remediesFor(layout: Layout, today: Scene, finding: Finding, judging: Judging): Remedy[] {
  if (!canHelp(finding) || today.cover.at.length === 0) return []
  const work: Work = { layout, today, finding, judging, targets: targetsOf({ finding, today }) }
  const base = asItIs(layout.player.bag)
  const missing = MISSING.has(finding.flag)
  const clubs = clubsInUse(layout.player.bag).filter(isGridClub)
  const all: Remedy[] = []
  if (missing) all.push(...gripDown(work))
  all.push(...calibrate(work))
  if (DOUBLED.has(finding.flag)) {
    all.push(...bestOf(work, 'strike-out', finding.cells.map(cell => ({ whatIf: struckOut(base, cell), more: { cells: [cell] } }))))
    if (clubs.length > 1) all.push(...bestOf(work, 'take-out', [...new Set(finding.cells.map(cell => cell.clubId))].map(id => ({ whatIf: { ...base, clubs: base.clubs.filter(club => club.id !== id) }, more: { cells: finding.cells.filter(cell => cell.clubId === id).slice(0, 1), fromDeg: base.clubs.find(club => club.id === id)!.loftDeg } }))))
  }
  if (missing) {
    all.push(...bestOf(work, 'use-again', base.struckOut.filter(cell => base.clubs.some(club => club.id === cell.clubId) && base.rungs.includes(cell.rungId)).map(cell => ({ whatIf: { ...base, struckOut: base.struckOut.filter(other => cellKey(other) !== cellKey(cell)) }, more: { cells: [cell] } }))))
    all.push(...bestOf(work, 'swing', layout.newRungs.map(rung => ({ whatIf: { ...base, rungs: [...base.rungs, rung.id], newRungs: [{ id: rung.id, label: rung.label, fraction: rung.fraction! }] }, more: { rungId: rung.id } }))))
  }
  const bent = promising(work, base, base.clubs.flatMap(club => bends(club.loftDeg).map(loftDeg => ({ ...club, loftDeg }))), CLOSELY)
  all.push(...bestOf(work, 'bend', bent.map(club => ({
    whatIf: { ...base, clubs: base.clubs.map(other => other.id === club.id ? club : other) },
    more: { cells: base.rungs.slice(-1).map(rungId => ({ clubId: club.id, rungId })), fromDeg: base.clubs.find(other => other.id === club.id)!.loftDeg, toDeg: club.loftDeg },
  }))))
  if (missing) {
    const fresh = promising(work, base, MADE_LOFTS.map((loftDeg): WhatIf['clubs'][number] => ({ id: 'new 0', from: null, label: `${loftDeg}°`, loftDeg })), CLOSELY)
    all.push(...bestOf(work, 'add', fresh.map(club => ({ whatIf: { ...base, clubs: [...base.clubs, club].sort((a, b) => b.loftDeg - a.loftDeg) }, more: { toDeg: club.loftDeg } }))))
  }
  // A list of likely flags changes with any of them: where yards are missing, one that is gone must also leave less there.
  const settles = (one: Remedy) => one.gone && (!missing || finding.flag === 'no-floor' || one.beforeM - one.afterM >= LEAST_SETTLED_M)
  const helps = (one: Remedy) => one.kind === 'grip-down' || one.kind === 'calibrate' || ((settles(one) || one.beforeM - one.afterM >= LEAST_GAIN_M) && one.openAfter <= one.openBefore)
  return all.filter(helps).sort((a, b) => REMEDY_KINDS.indexOf(a.kind) - REMEDY_KINDS.indexOf(b.kind))
}
