import type { SideTold } from '../chart/chart-cell'
import { USUAL_STRIKE, type OwnStrike } from '../flight/deliver'
import { metresOf, type Figure, type PickSettings, type PublishedCell, type PublishedChart } from '../history/published'
import type { Level } from '../level'
import { usualScatterM } from '../model/usual-scatter'
import { MODEL, SIDE_OF_LEVEL, SPREAD_OF_LEVEL } from '../model/constants'
import type { StockShot } from '../bag/bag'
import { Z_80 } from '../stats/normal'
import { fromUnit, type DistanceUnit } from '../units'

/** A stock shot of the published chart, as it is picked. Metres. */
export interface PickShot extends StockShot {
  club: string
  swing: string
  cue: string
  loftDeg: number
  kind: PublishedCell['kind']
  /** Where it pitches, unrounded where it was measured. */
  carryM: number
  /** What the player reads on the card: the carry, or where it stops. */
  readM: number
  byTotal: boolean
  /** One clean ball along the line, on the range. */
  longSdM: number
  sideBiasM: number
  sideSdM: number
  /** False where no side was measured: the level's usual stands in. */
  sideKnown: boolean
  sideTold: SideTold | null
  own: OwnStrike
  /** Place of its swing length, shortest 0. */
  rung: number
  /** A full swing, or the longest of the scale: nothing is added to it but a little. */
  isFull: boolean
}

export interface PickPlayer {
  shots: PickShot[]
  /** Share of balls that are mishit on the course. */
  mishitShare: number
  level: Level
  settings: PickSettings
  /** What a plus that is called comes to. */
  plusWorth: number
  /** False where the chart was published before spread and sides went with it. */
  spreadKnown: boolean
}

const USUAL_SETTINGS: PickSettings = { habit: 'club', rules: [] }

/** A swing length that is called full, in whatever school. */
const CALLED_FULL = /^(full|100 ?%)$/i

/** Scatter of a shot that tells none: as any other of the level. */
const usualSdM = (level: Level, carryM: number) => usualScatterM(SPREAD_OF_LEVEL[level], carryM)

/** The carry that the player reads: written numbers as they were written, the others as the balls had them. */
function carryOf(cell: PublishedCell, { unit }: PublishedChart): number {
  return cell.kind === 'written' || cell.modelM === null ? fromUnit(cell.carry![unit], unit) : cell.modelM
}

const windowM = ([least, most]: [Figure, Figure], unit: DistanceUnit) => fromUnit(most[unit] - least[unit], unit)

/** What is picked from: the published numbers, with the spread, side pattern and flights published with them. */
export function pickPlayerOf(chart: PublishedChart): PickPlayer {
  const level = chart.level ?? 'unknown'
  const clubs = new Map(chart.clubs.map(club => [club.id, club]))
  const shortestFirst = [...chart.swings].reverse()
  const shots = chart.cells
    .filter(cell => cell.carry !== null)
    .map((cell): PickShot => {
      const { clubId, rungId, club, swing, kind, window, pattern } = cell
      const carryM = carryOf(cell, chart)
      const rung = shortestFirst.findIndex(one => one.id === rungId)
      const byWindow = window && windowM(window, chart.unit) / 2 / Z_80
      return {
        clubId,
        rungId,
        club,
        swing,
        kind,
        carryM,
        readM: cell.total ? metresOf(cell.total) : carryM,
        byTotal: cell.total !== undefined,
        cue: chart.swings.find(one => one.id === rungId)?.cue ?? '',
        loftDeg: clubs.get(clubId)!.loftDeg,
        longSdM: pattern?.longSdM ?? byWindow ?? usualSdM(level, carryM),
        sideBiasM: pattern?.sideBiasM ?? 0,
        sideSdM: pattern?.sideSdM ?? SIDE_OF_LEVEL[level] * carryM,
        sideKnown: pattern?.sideSdM !== undefined,
        sideTold: pattern?.sideTold ?? null,
        own: pattern?.own ?? USUAL_STRIKE,
        rung,
        isFull: rung === shortestFirst.length - 1 || CALLED_FULL.test(swing),
      }
    })
  return {
    shots,
    mishitShare: chart.mishitShare ?? MODEL.mishitShare,
    level,
    settings: chart.pick ?? USUAL_SETTINGS,
    plusWorth: chart.plusWorth ?? 1,
    spreadKnown: chart.cells.some(cell => cell.pattern !== undefined),
  }
}
