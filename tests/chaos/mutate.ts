import type { Dice } from '../../devices/dice'

/** Values that no page of ours sends, but somebody will. */
const ODD_VALUES: unknown[] = [
  null,
  true,
  false,
  0,
  -0,
  -1,
  1,
  1.5,
  2 ** 31,
  2 ** 53,
  1e300,
  -1e300,
  1e-300,
  '',
  ' ',
  '\u0000',
  '\ud83d',
  '\udc00\ud800',
  '😀'.repeat(200),
  'x'.repeat(10_000),
  '9'.repeat(400),
  'NaN',
  'null',
  '__proto__',
  'constructor',
  "'; drop table shots; --",
  '<script>alert(1)</script>',
  '../../etc/passwd',
  '%00',
  '\u202e',
  'a\nb',
  [],
  {},
  [[]],
  [null],
  { length: -1 },
  { toString: 1 },
  { toJSON: 'x' },
  Array.from({ length: 600 }, () => 1),
  '00000000-0000-0000-0000-000000000000',
  '0'.repeat(36),
  8.64e15,
  -8.64e15,
  9e15,
]
const ODD_KEYS = ['__proto__', 'constructor', 'toString', '', 'a'.repeat(500), 'id', 'version', '0', '-1', 'then']

function deep(dice: Dice): unknown {
  let value: unknown = 1
  const levels = dice.pick([5, 30, 40, 500])
  for (let i = 0; i < levels; i++) value = dice.uniform() < 0.5 ? [value] : { a: value }
  return value
}

const oddValue = (dice: Dice): unknown => (dice.uniform() < 0.03 ? deep(dice) : dice.pick(ODD_VALUES))

/** A value with something in it changed, at any depth. */
export function mutated(value: unknown, dice: Dice): unknown {
  if (dice.uniform() < 0.15 || value === null || typeof value !== 'object') {
    if (typeof value === 'number' && dice.uniform() < 0.5)
      return dice.pick([-value, value * 1e6, value / 1e6, value + 0.1, Math.round(value), String(value)])
    if (typeof value === 'string' && dice.uniform() < 0.5)
      return dice.pick([
        value.slice(0, -1),
        `${value}x`,
        value.toUpperCase(),
        value.repeat(3),
        [value],
        `${value}\ud83d`,
      ])
    return oddValue(dice)
  }
  if (Array.isArray(value)) {
    const list = [...(value as unknown[])]
    const at = Math.floor(dice.uniform() * (list.length + 1))
    const way = dice.uniform()
    if (way < 0.2) list.splice(at, 1)
    else if (way < 0.4) list.splice(at, 0, oddValue(dice))
    else if (way < 0.5 && list.length > 0) list.push(list[at % list.length])
    else if (list.length > 0) list[at % list.length] = mutated(list[at % list.length], dice)
    return list
  }
  const entries = Object.entries(value)
  const way = dice.uniform()
  const at = Math.floor(dice.uniform() * entries.length)
  if (way < 0.15) entries.splice(at, 1)
  else if (way < 0.3) entries.push([dice.pick(ODD_KEYS), oddValue(dice)])
  else if (entries.length > 0) entries[at] = [entries[at]![0], mutated(entries[at]![1], dice)]
  // As a parser would make it: "__proto__" is a key like others.
  return JSON.parse(
    `{${entries.map(([key, inner]) => `${JSON.stringify(key)}:${JSON.stringify(inner) ?? 'null'}`).join(',')}}`,
  ) as unknown
}

/** Bytes of a text with some of them changed, cut, or doubled. */
export function mutatedText(text: string, dice: Dice): string {
  let result = text
  const times = 1 + Math.floor(dice.uniform() * 4)
  for (let i = 0; i < times; i++) {
    const at = Math.floor(dice.uniform() * (result.length + 1))
    const piece = dice.pick([
      '"',
      '""',
      ',',
      ';',
      '\n',
      '\r\n',
      '\t',
      '\u0000',
      '{',
      ']',
      '-',
      'e',
      '\ufeff',
      '=1+1',
      '\ud83d',
      '1e400',
      ' ',
      'x'.repeat(3000),
      '"\n"',
      '999999999999',
    ])
    const way = dice.uniform()
    if (way < 0.4) result = result.slice(0, at) + piece + result.slice(at)
    else if (way < 0.6) result = result.slice(0, at) + result.slice(at + 1 + Math.floor(dice.uniform() * 20))
    else if (way < 0.75) result = result.slice(0, at)
    else if (way < 0.9) result = result.slice(0, at) + result.slice(Math.floor(dice.uniform() * result.length))
    else result = result.replaceAll(dice.pick([',', '\n', '.', '0']), piece)
    if (result.length > 200_000) result = result.slice(0, 200_000)
  }
  return result
}

/** An address with something in it changed. */
export function mutatedPath(path: string, dice: Dice): string {
  const parts = path.split('/')
  const at = 1 + Math.floor(dice.uniform() * (parts.length - 1))
  parts[at] = dice.pick([
    '',
    '..',
    '%00',
    '%',
    '%E0%A4%A',
    'x'.repeat(300),
    '00000000-0000-7000-8000-000000000000',
    `${parts[at]}%20`,
    `${parts[at]}?a=${'b'.repeat(500)}`,
    '-1',
    'NaN',
    '%F0%9F%98%80',
    parts[at]!.toUpperCase(),
    '__proto__',
  ])
  return parts.join('/')
}
