import type { StockShot } from '../../bag/bag'
import type { Finding, RemedyKind } from '../../gaps/flag'
import { flagRule } from '../../gaps/flags'
import type { CoverAt } from '../../gaps/stretches'
import type { Layout } from '../layout'
import { isGone } from '../gone'
import { sceneOf, type Judging, type Scene } from '../scene'
import { clubLeaves } from '../search'
import type { WhatIf } from '../thought-of'

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
  settlesFlag: boolean
  /** The bag it makes; null for what changes no bag. */
  whatIf: WhatIf | null
}

/** What a remedy is worked out from. */
export interface Work {
  layout: Layout
  /** The bag as it is, to change from. */
  base: WhatIf
  today: Scene
  finding: Finding
  judging: Judging
  /** Places in the cover that the flag speaks of. */
  targets: number[]
}

/** One kind of remedy. */
export interface RemedyRule {
  kind: RemedyKind
  /** It changes no bag: it is named whatever the flags would be. */
  changesNoBag?: true
  /** At most one, the best of its kind. */
  propose: (work: Work) => Remedy[]
}

/** Mean leave over some targets, metres. */
export function meanLeaveM(at: readonly CoverAt[], targets: readonly number[]): number {
  return targets.reduce((sum, t) => sum + at[t]!.leaveM, 0) / targets.length
}

/** Places in the cover that a flag speaks of: its stretch, or the yards about its stock shots. */
export function targetsOf(finding: Finding, today: Scene): number[] {
  const fromM = flagRule(finding.flag).meta.speaksOf === 'all below' ? 0 : finding.fromM
  const found = today.cover.at.flatMap((one, i) => (one.atM >= fromM - 1 && one.atM <= finding.toM + 1 ? [i] : []))
  return found.length > 0 ? found : today.cover.at.map((_, i) => i)
}

/** A list of likely stretches changes with any bag: that one of them is not in it says nothing. */
const canBeSettled = (finding: Finding) => flagRule(finding.flag).meta.about === 'bag'

function judged(work: Work, kind: RemedyKind, scene: Scene, more: Partial<Remedy>): Remedy {
  const { today, finding, targets } = work
  return {
    kind,
    cells: [],
    data: {},
    beforeM: meanLeaveM(today.cover.at, targets),
    afterM: meanLeaveM(scene.cover.at, targets),
    withinBefore: today.sum?.within ?? 0,
    withinAfter: scene.sum?.within ?? 0,
    openBefore: today.open.length,
    openAfter: scene.open.length,
    settlesFlag: canBeSettled(finding) && isGone(finding, today, scene),
    whatIf: scene.whatIf,
    ...more,
  }
}

/** A bag to try, and what is said of it. */
export interface Try {
  whatIf: WhatIf
  more: Partial<Remedy>
}

/** The best of several what-ifs for the stretch: one that settles the flag first, then the one that leaves least. */
export function bestOf(work: Work, kind: RemedyKind, tries: readonly Try[]): Remedy[] {
  const found = tries.map(({ whatIf, more }) => judged(work, kind, sceneOf(work.layout, whatIf, work.judging), more))
  const best = found.sort(
    (a, b) => Number(b.settlesFlag) - Number(a.settlesFlag) || a.openAfter - b.openAfter || a.afterM - b.afterM,
  )[0]
  return best ? [best] : []
}

type ThoughtOfClub = WhatIf['clubs'][number]

/** How many lofts are looked at closely. */
const CLOSELY = 4

/**
 * The lofts that leave least over the stretch, by what the club's own shots would do there: only these are looked at
 * closely.
 */
export function promising({ layout, base, today, targets }: Work, clubs: readonly ThoughtOfClub[]): ThoughtOfClub[] {
  const targetsM = targets.map(t => today.cover.at[t]!.atM)
  const now = targets.map(t => today.cover.at[t]!.leaveM)
  const score = (club: ThoughtOfClub) =>
    clubLeaves(layout, club, base, base.struckOut, targetsM).reduce(
      (sum, leaveM, i) => sum + Math.min(leaveM, now[i]!),
      0,
    )
  return clubs
    .map(club => ({ club, score: score(club) }))
    .sort((a, b) => a.score - b.score)
    .slice(0, CLOSELY)
    .map(one => one.club)
}
