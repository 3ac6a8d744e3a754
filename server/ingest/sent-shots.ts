import { z } from 'zod'
import { labelsOf } from '../../core/bag/labels'
import type { Bag } from '../../core/bag/bag'
import { rowFaultText } from '../../words/row-faults'
import { readRowFigures, type RowFigures } from '../../core/files/shot-table'
import { landingHeightM } from '../../core/shot/landing-height'
import type { Aim } from '../data/devices'
import type { DeviceBall } from '../../shared/device'
import type { FieldError } from '../../shared/errors'
import type { RangeTarget } from '../../shared/schemas/range'
import { MOST_SENT } from '../../shared/limits'
import { SentShot } from '../../shared/schemas/device'
import { takenOf } from '../../shared/calibration-input'
import type { ShotRecord } from '../../shared/schemas/session'
import { FAULTS_MOST } from './first-faults'
import { checked, refuse } from './refuse'

export interface ReadShot {
  shot: SentShot
  figures: RowFigures
  fieldOf: (name: string) => string
}

/** Columns of the table are text there and figures here: one reader for both. */
function cellsOf(shot: SentShot): Record<string, string> {
  return Object.fromEntries(
    Object.entries(shot).map(([name, value]) => [name.toLowerCase(), value === null ? '' : String(value)]),
  )
}

/**
 * What a device sent, checked by the same reader as the shot table.
 * @throws 413 past 500 shots, 422 naming each field that cannot be taken; then none is
 */
export function readSent(body: unknown): ReadShot[] {
  if (Array.isArray(body) && body.length > MOST_SENT)
    throw refuse(413, `${body.length} shots were sent: at most ${MOST_SENT} can be at once.`)
  const sent = Array.isArray(body) ? checked(z.array(SentShot), body, 'body') : [checked(SentShot, body, 'body')]
  const list = Array.isArray(body)
  const errors: FieldError[] = []
  const read = sent.map((shot, i): ReadShot => {
    const fieldOf = (name: string) => (list ? `${i}.${name}` : name)
    const figures = readRowFigures(cellsOf(shot), (column, value, fault) =>
      errors.push({
        field: fieldOf(column.slice(0, 40)),
        message: `${column.slice(0, 40)}: "${value.slice(0, 40)}" ${rowFaultText(fault)}`,
      }),
    )
    return { shot, figures, fieldOf }
  })
  if (errors.length > 0) throw refuse(422, errors[0]!.message, errors.slice(0, FAULTS_MOST))
  return read
}

const LONGEST_AHEAD_MS = 60_000

/** What the device was aimed at when a ball was hit; undefined when at nothing. */
export function aimAt(aims: readonly Aim[], hitAtMs: number): Aim | undefined {
  return aims.find(aim => aim.fromMs <= hitAtMs)
}

/**
 * A device that states no time sends a ball some seconds after it was hit: it belongs to what was chosen then, not to
 * what was chosen while it flew. Nobody hits the next stock shot so soon after it was chosen. Our choice.
 */
const GRACE_MS = 4000

/** What the device was aimed at when a ball was hit that it sent without a time. */
export function aimBefore(aims: readonly Aim[], heardAtMs: number): Aim | undefined {
  const then = aimAt(aims, heardAtMs - GRACE_MS)
  return then?.sessionId ? then : aimAt(aims, heardAtMs)
}

/**
 * When a ball was hit, by our clock. One that claims to come from the future was hit now.
 * @param offMs how far the sender's clock is behind
 */
export function hitAt(figures: RowFigures, offMs: number, nowMs: number): number {
  const ms = figures.hitAtMs === null ? nowMs : figures.hitAtMs + offMs
  return ms > nowMs + LONGEST_AHEAD_MS ? nowMs : Math.min(ms, nowMs)
}

/** A ball as it was read, whoever hit it. @param target whose height stands in for one that was not read */
export function deviceBall({ figures }: ReadShot, target?: RangeTarget): DeviceBall {
  const { carryM, balls, method, strike, readings } = figures
  // What a device worked out for level ground of its own knows of no slope.
  const heightM =
    figures.heightM ?? (target && readings?.carryBasis !== 'computed' ? landingHeightM(target, carryM) : 0)
  return { carryM, balls, method, strike, readings: readings ?? null, taken: takenOf({ ...figures, heightM }) }
}

/**
 * The record of a ball: club and swing length as they were chosen on the screen, unless the device names its own.
 * @throws 422 for a club or swing that the bag does not have
 */
export function recordOf(
  read: ReadShot,
  aim: Aim & { sessionId: string },
  bag: Bag,
  hitAtMs: number,
  target?: RangeTarget,
): ShotRecord {
  const { shot, fieldOf } = read
  const names = labelsOf(bag)
  const named = <T extends { id: string }>(
    list: readonly T[],
    label: string | number | boolean | null | undefined,
    labelOf: (item: T) => string,
    field: string,
    usual: string,
  ): string => {
    if (label === undefined || label === null || label === '') return usual
    const found = list.find(item => labelOf(item).toLowerCase() === String(label).trim().toLowerCase())
    if (found) return found.id
    const message = `${field}: "${String(label).slice(0, 40)}" is not in the bag: ${list.map(labelOf).join(', ')}`
    throw refuse(422, message, [{ field: fieldOf(field), message }])
  }
  return {
    id: shot.id,
    sessionId: aim.sessionId,
    ...deviceBall(read, target),
    hitAtMs,
    leftOut: null,
    deleted: false,
    version: 1,
    clubId: named(bag.clubs, shot.club, club => names({ clubId: club.id, rungId: '' }).club, 'club', aim.clubId!),
    rungId: named(
      bag.scale.rungs,
      shot.swing,
      rung => names({ clubId: '', rungId: rung.id }).swing,
      'swing',
      aim.rungId!,
    ),
  }
}
