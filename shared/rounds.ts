import type { Played } from '../core/rounds/approach'
import { possibleTime } from './clock'
import { mergedParts } from './merged'
import type { ApproachRecord, RoundRecord } from './schemas/rounds'

/** Approaches that stand, in the order they were told. */
export const approachesOf = ({ approaches }: Pick<RoundRecord, 'approaches'>): ApproachRecord[] =>
  approaches.filter(({ gone }) => !gone)

/** Rounds that stand, in the order they were played, to be counted. */
export const playedOf = (rounds: readonly RoundRecord[]): Played[] =>
  rounds
    .filter(({ gone, waiting }) => !gone && !waiting)
    .sort((a, b) => a.playedAtMs - b.playedAtMs || (a.id < b.id ? -1 : 1))
    .map(round => ({ approaches: approachesOf(round) }))

/** Two states of one round put together, so that no device takes away another's approach. */
export function mergedRound(known: RoundRecord, sent: RoundRecord): RoundRecord {
  const head = sent.version >= known.version ? sent : known
  const version = Math.max(known.version, sent.version)
  return { ...head, approaches: mergedParts(known.approaches, sent.approaches), version }
}

/** A round on a day that can be. */
export const roundTimeRight = (round: RoundRecord, known: RoundRecord | undefined, nowMs: number): RoundRecord => ({
  ...round,
  playedAtMs: possibleTime(round.playedAtMs, known?.playedAtMs, nowMs),
})
