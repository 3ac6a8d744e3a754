import { rungFractions, type SwingScale } from '#core/swing/scale'
import type { SchoolId } from '#core/swing/schools'

/** How a swing length is drawn: the lead arm at an angle, or, where a school tells effort, a dial. */
export type SwingPose =
  | {
      kind: 'arm'
      /** From hanging straight down, 0, over level, 90, to straight up, 180. */
      degrees: number
    }
  | {
      kind: 'dial'
      /** Of full, 0 to 1. */
      share: number
    }

/** Where the arm is drawn for a share of the full carry: as on the clock, which is common practice. */
const ARM_OF_SHARE: readonly (readonly [share: number, degrees: number])[] = [
  [0.2, 12],
  [0.4, 30],
  [0.58, 60],
  [0.74, 90],
  [0.87, 120],
  [0.96, 150],
  [1, 165],
  [1.1, 178],
]

function armOfShare(share: number): number {
  const above = ARM_OF_SHARE.findIndex(([at]) => share <= at)
  if (above < 0) return ARM_OF_SHARE.at(-1)![1]
  if (above === 0) return ARM_OF_SHARE[0]![1]
  const [toShare, toDegrees] = ARM_OF_SHARE[above]!
  const [fromShare, fromDegrees] = ARM_OF_SHARE[above - 1]!
  return fromDegrees + ((share - fromShare) / (toShare - fromShare)) * (toDegrees - fromDegrees)
}

function clockDegrees(label: string): number | undefined {
  const time = /^\s*(\d{1,2})(?::(\d{2}))?\s*(?:o['’]?clock)?\s*$/.exec(label)
  const hour = Number(time?.[1])
  return hour >= 6 && hour <= 12 ? (hour - 6) * 30 + Number(time![2] ?? 0) / 2 : undefined
}

function isDial(school: SchoolId): boolean {
  return school === 'feel' || school === 'speed'
}

/**
 * How each rung of a scale is drawn, in its order: a clock's arm stands where the clock says, another school's where
 * its share of full would be; effort and speed have a dial.
 * @example swingPoses({ school: 'clock', rungs: [{ label: '9:00' }] })[0] // => { kind: 'arm', degrees: 90 }
 */
export function swingPoses(scale: SwingScale): SwingPose[] {
  const shares = rungFractions(scale)
  return scale.rungs.map(({ label, school = scale.school }, i) => {
    const share = shares[i]!.fraction
    if (isDial(school)) return { kind: 'dial', share: Math.min(1, share) }
    return { kind: 'arm', degrees: (school === 'clock' ? clockDegrees(label) : undefined) ?? armOfShare(share) }
  })
}
