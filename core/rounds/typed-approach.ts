import { CARRY_MAX_M } from '../limits'
import type { Lie } from '../pick/lies'
import { READING_RANGE } from '../shot/readings'
import { fromUnit, toUnit, type DistanceUnit } from '../units'
import type { Approach } from './approach'

/** What is wrong with a line, and with which part. */
export type ApproachFault = { fault: 'distance' | 'off' | 'side' | 'word' | 'twice'; part: string }

/** Words for how it lay; the first letters do, as far as they are its own. */
const LIE_WORDS: Record<string, Lie> = {
  fairway: 'fairway',
  rough: 'light rough',
  heavy: 'heavy rough',
  uphill: 'uphill',
  downhill: 'downhill',
  sand: 'sand',
  wet: 'wet',
}
/** Not a chance: the green was out of reach, or it was laid up. */
const NO_CHANCE = 'layup'
const PENALTY = 'penalty'
/** From a tee: of a par 3, or of a par 4 that can be driven. */
const TEES = { par3: 3, par4: 4 } as const
const WORDS = [...Object.keys(LIE_WORDS), NO_CHANCE, PENALTY, ...Object.keys(TEES)]
/** Letters that a word needs at least: one is a side. */
const LEAST_LETTERS = 2

const FIGURE = '\\d+(?:[.,]\\d*)?'
const DISTANCE = new RegExp(`^(${FIGURE})$`)
const OFF = new RegExp(`^([+\\-−])(${FIGURE})$`)
const SIDE = new RegExp(`^(${FIGURE})([lr])$`, 'i')
const numberOf = (text: string) => Number(text.replace(',', '.'))

/**
 * An approach in one line: "95 -8 3r" is one from 95 that finished 8 short and 3 right; "on" stands for nothing off.
 * Words follow in any order: how it lay (fairway, rough, heavy, uphill, downhill, sand, wet), "par3" or "par4" from
 * such a tee, "penalty", and "layup" where the green was out of reach. Two letters of a word do.
 * @param unit that distances are meant in
 * @example readApproach('95 -8 3r rough', 'm') // => { chance: true, distanceM: 95, offM: -8, sideM: 3, lie: 'light rough' }
 */
export function readApproach(text: string, unit: DistanceUnit): Approach | ApproachFault {
  const [first = '', ...parts] = text.trim().split(/\s+/)
  const distance = DISTANCE.exec(first)
  const distanceM = distance ? fromUnit(numberOf(distance[1]!), unit) : Number.NaN
  if (!(distanceM >= 1 && distanceM <= CARRY_MAX_M)) return { fault: 'distance', part: first }
  const approach: Approach = { chance: true, distanceM }
  const seen = new Set<string>()
  for (const part of parts) {
    const read = readPart(part, unit)
    if ('fault' in read) return read
    for (const name of Object.keys(read)) {
      if (seen.has(name)) return { fault: 'twice', part }
      seen.add(name)
    }
    Object.assign(approach, read)
  }
  return approach
}

function readPart(part: string, unit: DistanceUnit): Partial<Approach> | ApproachFault {
  if (part.toLowerCase() === 'on') return { offM: 0, sideM: 0 }
  const off = OFF.exec(part)
  if (off) {
    const metres = fromUnit(numberOf(off[2]!), unit)
    return metres <= CARRY_MAX_M ? { offM: off[1] === '+' ? metres : -metres } : { fault: 'off', part }
  }
  const side = SIDE.exec(part)
  if (side) {
    const metres = fromUnit(numberOf(side[1]!), unit)
    if (metres > READING_RANGE.sideM[1]) return { fault: 'side', part }
    return { sideM: side[2]!.toLowerCase() === 'l' ? -metres : metres }
  }
  const typed = part.toLowerCase()
  const begin = WORDS.filter(one => one.startsWith(typed))
  const word = typed.length < LEAST_LETTERS ? undefined : (begin.find(one => one === typed) ?? begin[0])
  if (!word) return { fault: 'word', part }
  if (word === NO_CHANCE) return { chance: false }
  if (word === PENALTY) return { penalty: 1 }
  if (word === 'par3' || word === 'par4') return { tee: TEES[word] }
  return { lie: LIE_WORDS[word]! }
}

/**
 * The same line back, as it can be typed again.
 * @example approachLine({ chance: true, distanceM: 95, offM: -8 }, 'm') // => '95 -8'
 */
export function approachLine(
  { chance, distanceM, offM, sideM, lie, penalty, tee }: Approach,
  unit: DistanceUnit,
): string {
  const figure = (metres: number) => String(Math.round(toUnit(Math.abs(metres), unit) * 10) / 10)
  const word = lie && Object.keys(LIE_WORDS).find(name => LIE_WORDS[name] === lie)
  return [
    figure(distanceM),
    offM === undefined ? '' : `${offM < 0 ? '-' : '+'}${figure(offM)}`,
    sideM === undefined ? '' : `${figure(sideM)}${sideM < 0 ? 'l' : 'r'}`,
    word ?? '',
    tee ? `par${tee}` : '',
    penalty ? PENALTY : '',
    chance ? '' : NO_CHANCE,
  ]
    .filter(Boolean)
    .join(' ')
}
