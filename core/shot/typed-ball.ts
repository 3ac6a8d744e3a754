import { fromUnit, type DistanceUnit } from '../units'
import { CARRY_MAX_M } from '../limits'
import { carryFaultWords, readTypedCarry, type CarryFault } from './typed-carry'

/** A ball as it is typed: its carry, and with a letter what else was seen. */
export interface TypedBall {
  carryM: number
  /** Right of the line is positive. */
  sideM?: number
  totalM?: number
}

/** What is wrong, and with which part of what was typed. */
export type BallFault = { fault: CarryFault; part: string } | { fault: 'side' | 'total' | 'extra'; part: string }

const FIGURE = '\\d+(?:[.,]\\d?)?'
const MARKED = new RegExp(`^(?:([lrt])(${FIGURE})|(${FIGURE})([lrt]))$`, 'i')

/**
 * "72" is a carry, "72 4r" one that pitched 4 right of the line, "72 2l t79" one that pitched 2 left and came to rest
 * at 79. The letter stands before or behind its figure.
 * @example readTypedBall('72 4r', 'm') // => { carryM: 72, sideM: 4 }
 * @example readTypedBall('72 4q', 'm') // => { fault: 'extra', part: '4q' }
 */
export function readTypedBall(text: string, unit: DistanceUnit): TypedBall | BallFault {
  // A letter may stand apart from its figure: "72 r 4".
  const parts = text
    .trim()
    .replace(/([lrt])\s+(?=\d)/gi, '$1')
    .split(/\s+/)
  const [first = '', ...rest] = splitLetters(parts)
  const carry = readTypedCarry(first, unit)
  if ('fault' in carry) return { fault: carry.fault, part: first }
  const ball: TypedBall = { carryM: carry.carryM }
  for (const part of rest) {
    const found = MARKED.exec(part)
    if (!found) return { fault: 'extra', part }
    const letter = (found[1] ?? found[4])!.toLowerCase()
    const metres = fromUnit(Number((found[2] ?? found[3])!.replace(',', '.')), unit)
    if (letter === 't') {
      if (metres > 1.5 * CARRY_MAX_M || metres === 0) return { fault: 'total', part }
      ball.totalM = metres
    } else {
      if (metres > CARRY_MAX_M) return { fault: 'side', part }
      ball.sideM = letter === 'l' ? -metres : metres
    }
  }
  return ball
}

/** "72r4" is "72 r4": the keys on the glass have no space. */
function splitLetters(parts: readonly string[]): string[] {
  return parts.flatMap((part, i) => {
    const joined = i === 0 ? /^([\d.,]+)((?:[lrt][\d.,]+)+)$/i.exec(part) : null
    return joined ? [joined[1]!, ...joined[2]!.match(/[lrt][\d.,]+/gi)!] : [part]
  })
}

/** The sentence for a fault: what was typed and what is allowed. */
export function ballFaultWords({ fault, part }: BallFault, unit: DistanceUnit): string {
  if (fault === 'side') return `"${part}" is too far beside the line.`
  if (fault === 'total') return `"${part}" is no total that can be.`
  if (fault === 'extra')
    return `"${part.slice(0, 12)}" is not understood: 4r is 4 ${unit} right, 4l left, t79 a total of 79.`
  return carryFaultWords(fault, part, unit)
}
