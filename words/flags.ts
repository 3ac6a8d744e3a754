import type { StockShot } from '../core/bag/bag'
import { GRIP_DOWN_M, type Finding, type FlagRule, type ThresholdName } from '../core/gaps/flag'
import { FLAG_RULES, flagRule } from '../core/gaps/flags'
import type { StillOpen } from '../core/gaps/still-open'
import { distanceText, distanceWithUnit, type DistanceUnit } from '../core/units'
import { FIGURES, ODDS, STILL_OPEN, SURENESS } from './en/figures'
import { FLAG_MESSAGES } from './en/flags'
import type { FlagMessages } from './flag-messages'
import { byId, listed, write, type MessageValues } from './message'

const MESSAGES = byId<FlagMessages>(FLAG_MESSAGES)

const sameNames = (a: readonly string[], b: readonly string[]) => [...a].sort().join() === [...b].sort().join()

/**
 * Checks that each rule has its messages and each message its rule, down to variants and thresholds.
 * @throws Error naming the flag and what it lacks
 */
export function checkMessages(rules: readonly FlagRule[], messages: ReadonlyMap<string, FlagMessages>): void {
  const ids = new Set(rules.map(rule => rule.meta.id))
  for (const id of messages.keys()) if (!ids.has(id)) throw new Error(`${id}: there are messages, and no rule`)
  for (const { meta } of rules) {
    const own = messages.get(meta.id)
    if (!own) throw new Error(`${meta.id}: the rule has no messages`)
    if (!own.title || !own.why || own.remedies.some(one => one === ''))
      throw new Error(`${meta.id}: a message is empty`)
    const named: [what: string, inRule: readonly string[], inWords: readonly string[]][] = [
      ['variants', meta.variants ?? [], Object.keys(own.variants ?? {})],
      ['thresholds', meta.thresholds ?? [], Object.keys(own.thresholds ?? {})],
    ]
    for (const [what, inRule, inWords] of named) {
      if (!sameNames(inRule, inWords))
        throw new Error(`${meta.id}: ${what} are ${inRule.join()} in the rule and ${inWords.join()} in its messages`)
    }
    if (Boolean(meta.staysOpen) !== Boolean(own.open))
      throw new Error(`${meta.id}: what stays open and its message do not go together`)
    if (meta.difference && !own.why.includes(`{${meta.difference.of}}`))
      throw new Error(`${meta.id}: why does not tell {${meta.difference.of}}`)
  }
}

checkMessages(FLAG_RULES, MESSAGES)

const messagesOf = (id: string): FlagMessages => MESSAGES.get(flagRule(id).meta.id)!

/** What a flag says, in the reader's unit. */
export interface FlagText {
  title: string
  why: string
  remedies: string[]
  /** "Sure", and with its odds: "Sure: 99 in 100". */
  sureness: string
  odds: string
}

/** A probability as a coach reads it: never 100 in 100, never 0. */
export function inHundred(probability: number): string {
  const n = Math.round(probability * 100)
  if (n >= 100) return write(ODDS.most)
  return n <= 0 ? write(ODDS.least) : write(ODDS.inHundred, { n })
}

/** What stock shots and their clubs are called. */
export interface StockShotNames {
  cell: (cell: StockShot) => string
  club: (cell: StockShot) => string
}

/** Stock shots named one by one; of more than these only how many. */
const NAMED = 4

function cellList(cells: readonly StockShot[], nameOf: StockShotNames['cell']): string {
  const names = cells.map(nameOf)
  if (names.length <= NAMED + 1) return listed(names)
  return write(FIGURES.andMore, { named: names.slice(0, NAMED).join(', '), n: names.length - NAMED })
}

/** A figure of a finding by the ending of its name; lengths are not among them. */
const BY_ENDING: readonly [ending: RegExp, text: (value: number) => string][] = [
  [/Times$/, value => write(FIGURES.times, { n: value.toFixed(1) })],
  [/Deg$/, value => write(FIGURES.degrees, { n: String(Math.round(value)) })],
  [/Percent$/, value => write(FIGURES.percent, { n: String(Math.round(value)) })],
  [/Days$/, value => write(FIGURES.days, { n: Math.round(value) })],
  [/(?:)/, value => String(Math.round(value))],
]

/** The step between two carries as they are read: 51 and 66 are 15 apart, though 51.4 and 65.6 are 14.2. */
export function stepBetween(shorterM: number, longerM: number, unit: DistanceUnit, decimals: 0 | 1 = 0): number {
  const read = (metres: number) => Number(distanceText(metres, unit, decimals))
  return Number((read(longerM) - read(shorterM)).toFixed(decimals))
}

/** A finding's figures as texts, lengths with so many decimals. */
function figureTexts({ data, fromM, toM }: Finding, unit: DistanceUnit, decimals: 0 | 1): MessageValues {
  const texts: MessageValues = {}
  for (const [key, value] of Object.entries({ ...data, gripDownM: GRIP_DOWN_M, fromM, toM })) {
    if (key.endsWith('M')) {
      texts[key] = distanceWithUnit(value, unit, decimals)
      texts[key.slice(0, -1)] = distanceText(value, unit, decimals)
    } else texts[key] = BY_ENDING.find(([ending]) => ending.test(key))![1](value)
  }
  return texts
}

function nameTexts({ cells }: Finding, names: StockShotNames): MessageValues {
  const [first, second] = cells
  const last = cells.at(-1)
  return {
    cells: cellList(cells, names.cell),
    clubs: listed([...new Set(cells.map(names.club))]),
    ...(first && { shorter: names.cell(first), club: names.club(first) }),
    ...(second && { middle: names.cell(second) }),
    ...(last && { longer: names.cell(last) }),
  }
}

/**
 * Whole figures, but where they would contradict the rule: 12.4 yd is more than 12, "12 is more than 12" is nonsense.
 */
function decimalsOf({ data }: Finding, { difference }: FlagRule['meta'], unit: DistanceUnit): 0 | 1 {
  if (!difference) return 0
  const step = stepBetween(data.shorterM!, data.longerM!, unit)
  const limit = Number(distanceText(data[difference.limit]!, unit))
  return (difference.raised === 'above' ? step > limit : step <= limit) ? 0 : 1
}

/** "Likely" is no word for 99 in 100. */
const NEARLY_SURE = 0.985

/** Everything that a message about a finding may ask for, lengths with so many decimals. */
function valuesOf(finding: Finding, names: StockShotNames, unit: DistanceUnit, decimals: 0 | 1): MessageValues {
  const figures = figureTexts(finding, unit, decimals)
  const { difference } = flagRule(finding.flag).meta
  const step = difference && `${stepBetween(finding.data.shorterM!, finding.data.longerM!, unit, decimals)} ${unit}`
  return {
    ...figures,
    ...nameTexts(finding, names),
    ...(difference && { [difference.of]: step! }),
    stretch: figures.fromM === figures.toM ? 'point' : 'stretch',
  }
}

/** Words and units are put on a finding here and nowhere else. */
export function flagText(finding: Finding, names: StockShotNames, unit: DistanceUnit): FlagText {
  const { meta } = flagRule(finding.flag)
  const own = messagesOf(finding.flag)
  const { title, why, remedies } = { ...own, ...own.variants?.[finding.variant ?? ''] }
  const whole = valuesOf(finding, names, unit, 0)
  const nearly = finding.sureness === 'likely' && (finding.probability ?? 0) >= NEARLY_SURE
  const sureness = write(SURENESS[nearly ? 'nearly' : finding.sureness])
  return {
    title: write(title, whole),
    why: write(why, valuesOf(finding, names, unit, decimalsOf(finding, meta, unit))),
    remedies: remedies.map(remedy => write(remedy, whole)),
    sureness,
    odds:
      finding.probability === null
        ? sureness
        : write(ODDS.withSureness, { sureness, odds: inHundred(finding.probability) }),
  }
}

/**
 * What a finding that is still open asks, and the balls that would decide it.
 * @example stillOpenText(open, names, 'yd') // => '50° half to 46° half, 13 yd: too wide? About 6 balls more with each.'
 */
export function stillOpenText({ finding, balls }: StillOpen, names: StockShotNames, unit: DistanceUnit): string {
  const { meta } = flagRule(finding.flag)
  const values = valuesOf(finding, names, unit, decimalsOf(finding, meta, unit))
  const question = write(messagesOf(finding.flag).open!, values)
  if (balls === null) return write(STILL_OPEN.atLimit, { question })
  return write(STILL_OPEN.decided, { question, n: balls, each: finding.cells.length > 1 ? 'each' : 'one' })
}

/** What a threshold is called, and why it is what it usually is. */
export function thresholdText(id: string, option: ThresholdName): { label: string; why: string } {
  return messagesOf(id).thresholds![option]!
}
