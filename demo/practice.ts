/** Goes at drills and homework of the made-up academy. */
import type { Level } from '../core/level'
import { newMemo } from '../core/memo'
import type { DrillMaker } from '../core/practice/drill'
import { drillById } from '../core/practice/drills'
import { scoreOf } from '../core/practice/score'
import type { PublishedChart } from '../core/history/published'
import type { Dice } from '../devices/dice'
import type { GoBall, GoRecord, HomeworkRecord } from '../shared/schemas/practice'
import { drillTexts } from '../words/practice'
import type { DemoPractice } from './scenario'

const DAY_MS = 86_400_000
const SECONDS_A_BALL = 70

/** What drills are made for: the numbers that were published last. */
function makerOf(chart: PublishedChart, level: Level, seed: number): DrillMaker {
  return {
    level,
    numbers: chart.cells
      .flatMap(({ clubId, rungId, modelM, carry }) =>
        carry && modelM !== null ? [{ clubId, rungId, carryM: modelM }] : [],
      )
      .sort((a, b) => a.carryM - b.carryM),
    speedsMs: [],
    clubIds: [...chart.clubs].sort((a, b) => a.loftDeg - b.loftDeg).map(({ id }) => id),
    unit: chart.unit,
    seed,
  }
}

/** A go hit by a player whose balls lie so many per cent of the distance wide, either way. */
function drawnGo(
  drill: string,
  maker: DrillMaker,
  scatter: number,
  startedAtMs: number,
  homeworkId: string | null,
  dice: Dice,
): GoRecord {
  const spec = drillById(drill).make(maker)
  if (!spec) throw new Error(`the demo's player has too few numbers for ${drill}`)
  const memo = newMemo()
  const balls: GoBall[] = []
  for (;;) {
    const { next } = scoreOf(spec, balls, memo)
    if (next === null) break
    const targetM = spec.tasks[next]!.targetM!
    const tenth = (metres: number) => Math.round(10 * metres) / 10
    balls.push({
      id: dice.id(startedAtMs),
      task: next,
      atMs: startedAtMs + 1000 * SECONDS_A_BALL * (balls.length + 1),
      endM: tenth(targetM * (1 + scatter * dice.normal())),
      sideM: tenth(targetM * 1.2 * scatter * dice.normal()),
      version: 1,
    })
  }
  return {
    id: dice.id(startedAtMs),
    name: homeworkId ? drillTexts(drill).title : '',
    note: '',
    spec,
    startedAtMs,
    endedAtMs: balls.at(-1)!.atMs,
    homeworkId,
    sessionId: null,
    gone: false,
    balls,
    version: balls.length + 1,
  }
}

/** What was practised up to now, and what is set. */
export function practiceOfDemo(
  practice: DemoPractice,
  chart: PublishedChart,
  level: Level,
  nowMs: number,
  dice: Dice,
): { goes: GoRecord[]; homework: HomeworkRecord[] } {
  const goes = practice.goes.map(([drill, daysAgo, scatter], i) =>
    drawnGo(drill, makerOf(chart, level, i + 1), scatter, nowMs - daysAgo * DAY_MS, null, dice),
  )
  const { daysAgo, note, drills, done } = practice.homework
  const setAtMs = nowMs - daysAgo * DAY_MS
  const maker = makerOf(chart, level, 77)
  const homework: HomeworkRecord = {
    id: dice.id(setAtMs),
    note,
    dueAtMs: setAtMs + 7 * DAY_MS,
    blocks: drills.map(([drill, why]) => ({
      id: dice.id(setAtMs),
      name: drillTexts(drill).title,
      why,
      spec: drillById(drill).make(maker)!,
    })),
    setAtMs,
    withdrawn: false,
  }
  const [drill, scatter] = done
  return { goes: [...goes, drawnGo(drill, maker, scatter, setAtMs + DAY_MS, homework.id, dice)], homework: [homework] }
}
