/**
 * Runs a simulated launch monitor until it is stopped: a player hits what is chosen on the screen, and the balls go
 * through the open door.
 */
import { setTimeout as wait } from 'node:timers/promises'
import { parseArgs } from 'node:util'
import { airOf, CALM, stationPressurePa, type Conditions } from '../core/flight/air'
import { metresToYards, yardsToMetres } from '../core/units'
import { makeDice } from './dice'
import { hit, makeGolfer, SKILLS, type SkillName } from './golfer'
import { read, toSentShot } from './monitor'
import { isRefused, lotFor, post, TEMPERS, type Asked, type MonitorShot, type Temper } from './monitor-link'

const USAGE = [
  'usage: npm run device -- --to http://127.0.0.1:4600 --token uzzet_…',
  `[--player ${Object.keys(SKILLS).join('|')}] [--temper ${Object.keys(TEMPERS).join('|')}]`,
  '[--full 105 (yards of a full 52°)] [--every 6 (seconds)] [--balls 30]',
  "[--wind 3 --from 12 (m/s felt, o'clock)] [--temp 20 (°C)] [--seed 1]",
].join('\n  ')

class Fault extends Error {}

function readArguments(args: string[]) {
  const text = { type: 'string' } as const
  const parse = () =>
    parseArgs({
      args,
      options: {
        to: text,
        token: text,
        player: text,
        temper: text,
        full: text,
        every: text,
        balls: text,
        wind: text,
        from: text,
        temp: text,
        seed: text,
      },
    }).values
  let given: ReturnType<typeof parse>
  try {
    given = parse()
  } catch (error) {
    throw new Fault(`${(error as Error).message.split('.')[0]}; ${USAGE}`)
  }
  const figure = (name: keyof typeof given, usual: number, least: number, most: number) => {
    const value = given[name] === undefined ? usual : Number(given[name])
    if (!(value >= least && value <= most))
      throw new Fault(`--${name}: "${given[name]}" is not a number from ${least} to ${most}`)
    return value
  }
  const word = <T extends string>(name: 'player' | 'temper', usual: T, words: readonly string[]) => {
    const value = given[name] ?? usual
    if (!words.includes(value)) throw new Fault(`--${name}: "${value}" is not one of ${words.join(', ')}`)
    return value as T
  }
  if (!given.to || !given.token) throw new Fault(`--to and --token are needed; ${USAGE}`)
  if (!URL.canParse(given.to) || !/^https?:$/.test(new URL(given.to).protocol))
    throw new Fault(`--to: "${given.to}" is not an address such as http://127.0.0.1:4600`)
  return {
    to: given.to,
    token: given.token,
    skill: word<SkillName>('player', 'good', Object.keys(SKILLS)),
    temper: word<Temper>('temper', 'steady', Object.keys(TEMPERS)),
    fullM: yardsToMetres(figure('full', 105, 40, 160)),
    everyMs: 1000 * figure('every', 6, 0.05, 600),
    balls: figure('balls', Infinity, 1, Infinity),
    seed: figure('seed', 1, 0, 2 ** 31),
    today: {
      air: airOf(figure('temp', 20, -20, 50), stationPressurePa(0), 0.6),
      targetHeightM: 0,
      wind: { ...CALM, speedMs: figure('wind', 0, 0, 15), clock: figure('from', 12, 0.01, 12), readAtM: 2 },
    } satisfies Conditions,
  }
}

const say = (words: string) => void process.stdout.write(`${words}\n`)
/** Ways of loft on a full swing, about: 3.1 % a degree (common practice). */
const PER_DEGREE = 0.031
const HELLO_MS = 3000
const AWAY_MS = 20_000

async function run(args: string[]): Promise<void> {
  const { to, token, skill, temper, fullM, everyMs, balls, seed, today } = readArguments(args)
  const dice = makeDice(seed)
  const golfer = makeGolfer(skill, dice)
  const { misreads, away, clockMs } = TEMPERS[temper]
  const pause = (ms: number) => wait(Math.min(ms, everyMs * 5))
  let kept: MonitorShot[] = []
  const screen: { asked: Asked | null } = { asked: null }
  let hits = 0

  /** Sends, and keeps what could not be sent. @returns false when the token opens nothing */
  async function send(out: MonitorShot[]): Promise<boolean> {
    const outcome = await post(to, token, out, clockMs)
    if (outcome.ok) {
      screen.asked = outcome.asked
      return true
    }
    if (outcome.status === 401) return false
    say(`  ${outcome.status || 'no connection'}: ${outcome.words}`)
    // One wrong ball must not hold back the others.
    if (isRefused(outcome) && out.length > 1) {
      for (const shot of out) if (!(await send([shot]))) return false
    } else if (!isRefused(outcome)) {
      kept = [...kept, ...out]
      await pause(1000 * (outcome.retryS ?? 2))
    }
    return true
  }

  for (;;) {
    if (!(await send([]))) throw new Fault('the token is not valid: make one in the account, under Devices')
    if (screen.asked) break
    say('No session listens: open a range session and choose this device. Waiting…')
    await wait(HELLO_MS)
  }
  while (hits < balls) {
    const target = screen.asked
    if (target) {
      const carryM = fullM * Math.exp(-PER_DEGREE * (target.loft_deg - 52)) * target.share
      const reading = read(hit(golfer, target.loft_deg, carryM, 'grass', dice), today, misreads, dice)
      hits += 1
      const shot = reading && toSentShot(dice.id(Date.now()), new Date(Date.now() + clockMs), reading)
      if (reading)
        say(
          `${hits}. ${target.club}, ${target.swing}: ${metresToYards(reading.carryM).toFixed(1)} yd, ` +
            `spin ${reading.readings.spinRpm}${reading.misread ? ' (misread)' : ''}`,
        )
      const lot = lotFor(kept, shot, temper, dice)
      kept = lot.kept
      if (dice.uniform() < away) {
        say('  away for a while')
        kept = [...lot.out, ...kept]
        await pause(AWAY_MS)
      } else if (lot.out.length > 0 && !(await send(lot.out))) throw new Fault('the token was revoked')
    } else if (!(await send([]))) throw new Fault('the token was revoked')
    await wait(everyMs)
  }
  if (kept.length > 0) await send(kept)
}

try {
  await run(process.argv.slice(2))
} catch (error) {
  if (!(error instanceof Fault)) throw error
  process.stderr.write(`${error.message}\n`)
  process.exitCode = 2
}
