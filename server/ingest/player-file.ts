import { createHash } from 'node:crypto'
import { possibleTime, sessionTimesRight, shotTimeRight } from '../../shared/clock'
import type { FieldError } from '../../shared/errors'
import { goTimesRight } from '../../shared/practice'
import { roundTimeRight } from '../../shared/rounds'
import { AcademyFile, PlayerFile } from '../../shared/schemas/player-file'
import { asLots, RECORD_LISTS, type ReadRecord } from '../data/record-lots'
import { depthFault } from './depth'
import { FAULTS_MOST, faultsOf, firstFaults } from './first-faults'

/**
 * Reads the files of other academies. Runs in a thread: they may be forty megabytes, and the server's own thread is for
 * balls.
 */

const UUID = /[0-9a-f]{8}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{4}-[0-9a-f]{12}/g

const ID_LENGTH = 36

/** What stays of an id: time and turn, by which balls of one moment keep their order. (RFC 9562, 5.7) */
const KEPT = 26

/** The id that something has within an academy: the same for the same thing, and another in each academy. */
function idWithin(academyOrOther: string, id: string): string {
  const own = createHash('sha256').update(`${academyOrOther} ${id}`).digest('hex')
  return id.slice(0, KEPT) + own.slice(0, id.length - KEPT)
}

/** What somebody wrote: what looks like an id there is none. */
const WRITTEN = new Set(['name', 'note', 'label', 'cue', 'leftOut', 'title'])

/**
 * The same file with ids of its own here: nothing in it can speak of somebody else's record, and the same file brought
 * in again is known.
 * @param within what the ids are made within: the academy
 */
export function withOwnIds(file: unknown, within: string): unknown {
  const made = new Map<string, string>()
  const ownText = (text: string) => {
    if (text.length < ID_LENGTH) return text
    return text.replace(UUID, id => {
      const known = made.get(id) ?? idWithin(within, id)
      made.set(id, known)
      return known
    })
  }
  function own(value: unknown, key: string): unknown {
    if (typeof value === 'string') return WRITTEN.has(key) ? value : ownText(value)
    if (Array.isArray(value)) return value.map(one => own(one, key))
    if (typeof value !== 'object' || value === null) return value
    const there: Record<string, unknown> = {}
    for (const [name, held] of Object.entries(value)) {
      // Set like the others it would become the object's prototype; no field of ours has that name.
      if (name === '__proto__') continue
      there[ownText(name)] = own(held, name)
    }
    return there
  }
  return own(file, '')
}

/** Every ball and remark is of a club, a swing length and a session of the same file. */
function faultsWithin({ bag, sessions, shots, remarks, published }: PlayerFile): FieldError[] {
  const there = {
    clubId: new Set(bag.clubs.map(({ id }) => id)),
    rungId: new Set(bag.scale.rungs.map(({ id }) => id)),
    sessionId: new Set(sessions.map(({ id }) => id)),
  }
  const errors: FieldError[] = []
  const look = (field: string, of: Partial<Record<keyof typeof there, string>>) => {
    if (errors.length >= FAULTS_MOST) return
    for (const [key, id] of Object.entries(of) as [keyof typeof there, string][])
      if (!there[key].has(id))
        errors.push({ field: `${field}.${key}`, message: `${field} names what is not in the file.` })
  }
  shots.forEach(({ clubId, rungId, sessionId, taken }, i) => {
    look(`shots.${i}`, { clubId, rungId, sessionId })
    if (taken?.askedRungId) look(`shots.${i}.taken`, { rungId: taken.askedRungId })
  })
  remarks.forEach(({ clubId, rungId }, i) => look(`remarks.${i}`, { clubId, rungId }))
  const numbers = published.map(({ number }) => number)
  if (new Set(numbers).size < numbers.length)
    errors.push({ field: 'published', message: 'Two published charts have the same number.' })
  return errors.slice(0, FAULTS_MOST)
}

/** An id stands once in its list: the database would say that it is somebody else's. */
function twiceWithin({ bag, sessions, shots, remarks, answers, whatIfs, goes, homework, rounds }: PlayerFile) {
  const lists = {
    'bag.clubs': bag.clubs,
    'bag.scale.rungs': bag.scale.rungs,
    sessions,
    shots,
    remarks,
    answers,
    whatIfs,
    goes,
    homework,
    rounds,
  }
  return Object.entries(lists).flatMap(([name, list]): FieldError[] => {
    const seen = new Set<string>()
    return list.flatMap(({ id }, i) => {
      const again = seen.has(id)
      seen.add(id)
      return again
        ? [
            {
              field: `${name}.${i}.id`,
              message: `${name}.${i} stands twice in this file: its id is that of one before it.`,
            },
          ]
        : []
    })
  })
}

/** Times that cannot be are set right, as everywhere: what somebody's clock said years off is refused nobody. */
function withTimesRight(file: PlayerFile, nowMs: number): PlayerFile {
  const said = <T extends { saidAtMs: number }>(one: T): T => ({
    ...one,
    saidAtMs: possibleTime(one.saidAtMs, undefined, nowMs),
  })
  return {
    ...file,
    sessions: file.sessions.map(one => sessionTimesRight(one, undefined, nowMs)),
    shots: file.shots.map(one => shotTimeRight(one, undefined, nowMs)),
    remarks: file.remarks.map(said),
    answers: file.answers.map(said),
    goes: file.goes.map(one => goTimesRight(one, undefined, nowMs)),
    rounds: file.rounds.map(one => roundTimeRight(one, undefined, nowMs)),
    published: file.published.map(one => ({
      ...one,
      publishedAtMs: possibleTime(one.publishedAtMs, undefined, nowMs),
    })),
  }
}

const fault = (field: string, message: string): { faults: FieldError[] } => ({ faults: [{ field, message }] })

/** Text as it was sent, its byte-order mark left away. */
function parsed(bytes: Uint8Array): { value: unknown } | { faults: FieldError[] } {
  const text = new TextDecoder().decode(bytes)
  const deep = depthFault(text)
  if (deep) return fault('body', deep)
  try {
    return { value: JSON.parse(text) as unknown }
  } catch {
    return fault('body', 'What was sent is not JSON.')
  }
}

/** What was asked for with a file: the academy, and who of it was erased. */
export interface ReadWithin {
  academyId: string
  /** By their ids within the academy: they come back as somebody new. */
  erased: readonly string[]
  /** What the ids of somebody new are made within. */
  anew: string
}

/** A player's record as it was sent, checked to the last ball, or its first faults. */
export function readRecord(
  bytes: Uint8Array,
  { academyId, erased, anew }: ReadWithin,
): ReadRecord | { faults: FieldError[] } {
  const sent = parsed(bytes)
  if ('faults' in sent) return sent
  const id = (sent.value as { player?: { id?: unknown } } | null)?.player?.id
  if (typeof id !== 'string') return fault('player', 'This file holds no player.')
  const file = withOwnIds(sent.value, erased.includes(idWithin(academyId, id)) ? anew : academyId)
  const early = firstFaults(PlayerFile, file, 'file')
  if (early.length > 0) return { faults: early }
  const read = PlayerFile.safeParse(file)
  if (!read.success) return { faults: faultsOf(read.error.issues, 'file', '') }
  const faults = [...twiceWithin(read.data), ...faultsWithin(read.data)].slice(0, FAULTS_MOST)
  if (faults.length > 0) return { faults }
  const right = withTimesRight(read.data, Date.now())
  const { player, bag, shots } = right
  return {
    player,
    bag,
    lots: Object.fromEntries(RECORD_LISTS.map(name => [name, asLots(right[name])])) as ReadRecord['lots'],
    balls: shots.reduce((sum, one) => sum + (one.deleted ? 0 : one.balls), 0),
  }
}

/** What an academy has beside its players, or its first faults. */
export function readAcademy(bytes: Uint8Array, academyId: string): { file: AcademyFile } | { faults: FieldError[] } {
  const sent = parsed(bytes)
  if ('faults' in sent) return sent
  const file = withOwnIds(sent.value, academyId)
  const early = firstFaults(AcademyFile, file, 'file')
  if (early.length > 0) return { faults: early }
  const read = AcademyFile.safeParse(file)
  return read.success ? { file: read.data } : { faults: faultsOf(read.error.issues, 'file', '') }
}
