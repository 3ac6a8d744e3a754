/** The headless door of Rounds: a bag, shots and rounds in, what they ask for, cost and teach out. */
import { basename } from 'node:path'
import { labelsOf } from '../core/bag/labels'
import { readRoundTable } from '../core/files/round-table'
import { newMemo } from '../core/memo'
import type { Approach } from '../core/rounds/approach'
import { askedBands, mostAsked } from '../core/rounds/asks'
import { courseShift } from '../core/rounds/cost'
import { workFor } from '../core/rounds/work'
import { gridCells } from '../core/bag/bag'
import { shiftText, workText } from '../words/rounds'
import { rowFaultText } from '../words/row-faults'
import { Fault, open, readArgs, readBag, readFile, readShots, unitOf } from './door'

const USAGE =
  'usage: npm run --silent rounds -- --bag bag.json --rounds rounds.csv [--shots shots.csv] ' +
  '[--as-of 2026-05-04] [--unit yd|m]'
const OPTIONS = {
  'bag': { type: 'string' },
  'rounds': { type: 'string' },
  'shots': { type: 'string' },
  'as-of': { type: 'string' },
  'unit': { type: 'string' },
} as const

const rounded = (value: number, digits = 4) => Number(value.toFixed(digits))

function answer(args: string[]): string {
  const given = readArgs(args, OPTIONS, USAGE)
  if (!given.bag || !given.rounds) throw new Fault(`--bag and --rounds are needed; ${USAGE}`)
  const asOf = given['as-of']
  if (asOf !== undefined && !/^\d{4}-\d{2}-\d{2}$/.test(asOf))
    throw new Fault(`--as-of "${asOf}" is not a day: 2026-05-04`)
  const unit = unitOf(given.unit ?? 'yd')
  const { bag, level, player } = readBag(given.bag)
  // They are checked; what rounds cost is held against the level.
  if (given.shots) readShots(given.shots, bag, player)
  const { rounds, errors } = readRoundTable(readFile(given.rounds))
  const first = errors[0]
  if (first)
    throw new Fault(
      `${basename(given.rounds)} row ${first.row}, ${first.column}: "${first.value}" ${rowFaultText(first.fault)}`,
    )
  const names = labelsOf(bag)
  const byLabels = new Map(gridCells(bag).map(cell => [`${names(cell).club} ${names(cell).swing}`, cell]))
  const played = rounds
    .filter(({ date }) => asOf === undefined || date.slice(0, asOf.length) <= asOf)
    .map(({ rows }) => ({
      approaches: rows.map(({ approach, club, swing }): Approach => ({
        ...approach,
        ...byLabels.get(`${club} ${swing}`),
      })),
    }))
  const memo = newMemo()
  const shift = courseShift(played)
  const most = mostAsked(played, unit)
  const out = {
    format: 'uzzet-rounds',
    version: 1,
    level,
    rounds: played.length,
    asks: {
      most: most && { fromM: rounded(most.fromM), toM: rounded(most.toM), share: rounded(most.share) },
      bands: askedBands(played, unit).map(({ fromM, toM, chances, share, least, most: upper }) => ({
        fromM: rounded(fromM),
        toM: rounded(toM),
        chances,
        share: rounded(share),
        least: rounded(least),
        most: rounded(upper),
      })),
    },
    findings: shift
      ? [
          {
            rule: 'course-shift',
            meanM: rounded(shift.meanM),
            halfM: rounded(shift.halfM),
            balls: shift.balls,
            words: shiftText(shift, unit),
          },
        ]
      : [],
    work: workFor(played, level, memo).map(({ clubId, rungId, share, lost, off, meanOffM, worth }) => ({
      ...names({ clubId, rungId }),
      share: rounded(share),
      lost: rounded(lost),
      off,
      meanOffM: rounded(meanOffM),
      worth: rounded(worth),
      words: Object.values(workText({ share, lost, off, meanOffM, worth }, unit)).join(' '),
    })),
  }
  return `${JSON.stringify(out, null, 2)}\n`
}

open(answer)
