import { cellKey } from '../bag/bag'
import type { CarryChart } from '../chart/chart-cell'
import type { GridFit } from '../chart/grid-fit'
import { insteadOf, otherUnitRun } from '../questions/instead'
import { FAULT_OF_LOOK, type LaunchLook } from '../questions/launch-looks'
import { questionsOf } from '../questions/odd-balls'
import { groupByCell, inTime } from '../shot/by-cell'
import type { NeutralPlayer } from '../shot/player-shots'
import { Z_80 } from '../stats/normal'
import type { Calibration, Question } from './calibration'

export function askAbout(
  { shots }: NeutralPlayer,
  grid: GridFit,
  chart: CarryChart,
  looks: ReadonlyMap<string, LaunchLook>,
): Calibration['questions'] {
  const groups = groupByCell(shots.filter(shot => shot.leftOut === null))
  return chart.flatMap(cell => {
    if (cell.carryM === null || cell.balls === 0) return []
    const balls = inTime(groups.get(cellKey(cell)) ?? [])
      .filter(shot => grid.verdicts.has(shot.id))
      .map(shot => ({
        shot: shot.id,
        carryM: shot.carryM,
        verdict: grid.verdicts.get(shot.id)!,
        settled: shot.strike !== null,
        device: shot.readings?.ballSpeedMs !== undefined,
      }))
    const byCarry = questionsOf(
      balls.filter(ball => !looks.has(ball.shot)),
      cell.carryM,
    ).map((one): Question => (one.changed ? one : { ...one, ...insteadOf(one.carryM, cell, chart) }))
    const byLaunch = balls
      .filter(ball => looks.has(ball.shot) && !ball.settled)
      .map((ball): Question => {
        const launch = looks.get(ball.shot)!
        return {
          shot: ball.shot,
          carryM: ball.carryM,
          fault: FAULT_OF_LOOK[launch.look],
          offM: ball.carryM - cell.carryM!,
          clean: ball.verdict.clean,
          changed: false,
          launch,
        }
      })
    // A device with a launch beside it does not mistake its unit.
    const read = balls.filter(ball => !ball.settled && !ball.device)
    const run =
      cell.window80M &&
      otherUnitRun(
        read.map(ball => ball.carryM),
        (cell.window80M[1] - cell.window80M[0]) / (2 * Z_80 * cell.carryM),
      )
    const inRun = run ? read.slice(-run.balls) : []
    const byUnit = inRun.map((ball): Question => ({
      shot: ball.shot,
      carryM: ball.carryM,
      fault: 'misread',
      offM: ball.carryM - cell.carryM!,
      clean: ball.verdict.clean,
      changed: true,
      otherUnit: run!.times,
    }))
    const others = [...byCarry, ...byLaunch].filter(question => !inRun.some(ball => ball.shot === question.shot))
    return [...others, ...byUnit].map(question => ({ clubId: cell.clubId, rungId: cell.rungId, ...question }))
  })
}
