import { cellKey, clubsInUse, rungsInUse } from '#core/bag/bag'
import type { DrillMaker, DrillNumber } from '#core/practice/drill'
import { planOf, type PlanFacts } from '#core/practice/plan'
import { naturalShape } from '#core/shot/curve'
import { askedBands, mostNeeded } from '#core/rounds/asks'
import { rungSpeedMs } from '#core/swing/called-speed'
import { playedOf } from '#shared/rounds'
import { useDistance } from '~/ui/useDistance'
import { useNumbers } from '~/calculation/useNumbers'
import { useRounds } from '~/offline/stores/rounds'
import { usePractice } from '~/offline/stores/practice'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** The newest balls tell how a player curves by now; some of them are flown for it. Our choice. */
const NATURAL_BALLS = 200

/** Drills as they are made for the open player, and the plan of what to practise. */
export function usePlan(balls: Ref<number>) {
  const record = usePlayerRecord()
  const practice = usePractice()
  const rounds = useRounds()
  const { unit } = useDistance()
  const { readChart, openFlags } = useNumbers()
  /** Another go draws other targets. */
  const seed = computed(() => 1 + practice.goes.length)
  const numbers = computed((): DrillNumber[] =>
    readChart.value
      .filter(cell => cell.carryM !== null && !cell.plain && cell.kind !== 'struck-out')
      .map(({ clubId, rungId, carryM }) => ({ clubId, rungId, carryM: carryM! }))
      .sort((a, b) => a.carryM - b.carryM),
  )
  const level = computed(() => record.player?.level ?? 'unknown')
  /** Of the balls that count: what was asked to turn is no natural shape. */
  const natural = computed(() => naturalShape(record.shots.filter(shot => shot.leftOut === null).slice(-NATURAL_BALLS)))
  const maker = computed((): DrillMaker => ({
    level: level.value,
    numbers: numbers.value,
    speedsMs: rungsInUse(record.bag).flatMap(rung => rungSpeedMs(rung, record.bag.scale.school) ?? []),
    clubIds: [...clubsInUse(record.bag)].sort((a, b) => a.loftDeg - b.loftDeg).map(({ id }) => id),
    unit: unit.value,
    hand: record.player?.hand ?? 'right',
    natural: natural.value,
    seed: seed.value,
  }))
  const lastHitMs = computed(() => {
    const last = new Map<string, number>()
    const note = (key: string, atMs: number) => last.set(key, Math.max(atMs, last.get(key) ?? 0))
    for (const shot of record.shots) note(cellKey(shot), shot.hitAtMs)
    for (const go of practice.done)
      for (const { clubId, rungId, atMs, gone } of go.balls)
        if (clubId && rungId && !gone) note(cellKey({ clubId, rungId }), atMs)
    return last
  })
  /** The bands that most chances of the rounds come from. */
  const needed = computed(() =>
    mostNeeded(askedBands(playedOf(rounds.standing), unit.value)).map(({ fromM, toM, share }) => ({
      atM: (fromM + toM) / 2,
      share,
    })),
  )
  const facts = computed((): PlanFacts => ({
    chart: readChart.value,
    flags: openFlags.value,
    level: level.value,
    nowMs: serverNowMs(),
    lastHitMs: lastHitMs.value,
    leastLikedM: record.player?.thresholds.leastLikedM ?? null,
    needed: needed.value,
  }))
  const plan = computed(() => planOf(facts.value, maker.value, balls.value))
  /** The same plan another day: its targets are drawn anew. */
  const planAgain = (day: number) => planOf(facts.value, { ...maker.value, seed: seed.value + 10 * day }, balls.value)
  return { maker, plan, planAgain, numbers }
}
