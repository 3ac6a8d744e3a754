import { sameFlag } from '#core/gaps/answers'
import { isGone } from '#core/what-if/gone'
import type { Finding } from '#core/gaps/flag'
import { labelsOf } from '#core/bag/labels'
import { clubsInUse, isGridClub, type Bag, type StockShot } from '#core/bag/bag'
import type { Scene } from '#core/what-if/scene'
import type { DistanceUnit } from '#core/units'
import { flagText } from '#words/flags'
import { stockShotName } from '#words/stock-shot'
import type { HandedBag } from '#shared/schemas/handed-bag'

/** What stock shots are called in a thought-of bag. */
export function sceneNames(of: Scene) {
  const labels = labelsOf(of.bag)
  const cell = (one: StockShot) => {
    const { club, swing } = labels(one)
    return stockShotName(club, swing)
  }
  return { cell, club: (one: StockShot) => labels(one).club }
}

/** Flags that go, come and stay from one bag to another, by their titles. */
export function flagChanges(
  before: Scene,
  after: Scene,
  unit: DistanceUnit,
): { gone: string[]; fresh: string[]; stay: string[] } {
  const title = (finding: Finding, of: Scene) => flagText(finding, sceneNames(of), unit).title
  const in_ = (list: readonly Finding[], one: Finding) => list.some(other => sameFlag(one, other))
  return {
    gone: before.open.filter(one => !in_(after.open, one) && isGone(one, before, after)).map(one => title(one, before)),
    fresh: after.open.filter(one => !in_(before.open, one)).map(one => title(one, after)),
    stay: after.open.filter(one => in_(before.open, one)).map(one => title(one, after)),
  }
}

/** A thought-of bag as it is handed to the player. @throws Error when it has no stock shot with a number */
export function handedPage(today: Scene, scene: Scene, bag: Bag, lineM: number, unit: DistanceUnit): HandedBag {
  if (!today.sum || !scene.sum) throw new Error('There is no number to hand over: no yard is covered.')
  const sum = ({ within, targets, meanM, worst }: NonNullable<Scene['sum']>) => ({
    within,
    targets,
    meanM,
    worstAtM: worst.atM,
    worstLeaveM: worst.leaveM,
  })
  const lofts = new Map(bag.clubs.map(club => [club.id, club.loftDeg]))
  const names = sceneNames(scene)
  const own = new Set(
    scene.whatIf.clubs.filter(({ from, loftDeg }) => from !== null && lofts.get(from) === loftDeg).map(club => club.id),
  )
  return {
    unit,
    clubs: scene.whatIf.clubs.map(({ label, loftDeg, from }) => ({
      label,
      loftDeg,
      wasDeg: from === null ? null : (lofts.get(from) ?? null),
    })),
    left: clubsInUse(bag)
      .filter(club => isGridClub(club) && !scene.whatIf.clubs.some(other => other.from === club.id))
      .map(club => club.label),
    shots: [...scene.ladder]
      .reverse()
      .map(step => ({ name: names.cell(step), carryM: step.carryM, hit: !step.predicted && own.has(step.clubId) })),
    lineM,
    before: sum(today.sum),
    after: sum(scene.sum),
    ...flagChanges(today, scene, unit),
  }
}
