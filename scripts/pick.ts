/**
 * The headless door of Pick: a bag, shot tables and a question in, the stock shots for it out. Uses core/ alone.
 * npm run --silent pick -- --bag bag.json --shots shots.csv --at at.json [--unit yd|m]
 */
import { calibrate } from '../core/calibration/calibrate'
import { USUAL_OPTIONS } from '../core/calibration/calibration'
import { publish } from '../core/history/published'
import { ROUGHNESS_M, stationPressurePa } from '../core/flight/air'
import { todayOf, type Today } from '../core/flight/neutral'
import { GRIP_DOWN_M } from '../core/gaps/stretches'
import { flownShots } from '../core/pick/flown'
import { pick } from '../core/pick/pick'
import { pickPlayerOf } from '../core/pick/pick-player'
import { PickFile } from '../shared/schemas/pick-file'
import { whyText } from '../words/pick'
import { Fault, open, readArgs, readBag, readJson, readShots, sessionsOf, unitOf } from './door'

const USAGE = 'usage: npm run --silent pick -- --bag bag.json --shots shots.csv --at at.json [--unit yd|m]'

function readArguments(args: string[]) {
  const options = {
    bag: { type: 'string' },
    shots: { type: 'string', multiple: true },
    at: { type: 'string' },
    unit: { type: 'string' },
  } as const
  const { bag, shots, at, unit = 'yd' } = readArgs(args, options, USAGE)
  if (!bag || !shots || !at) throw new Fault(`--bag, --shots and --at are needed; ${USAGE}`)
  return { bag, shots, at, unit: unitOf(unit) }
}

function todayOfFile({ air, ground }: PickFile): Today | null {
  if (!air) return null
  const { tempC, altitudeM, humidity, windMs, windFromClock, windHeightM } = air
  const wind = { speedMs: windMs, clock: windFromClock, readAtM: windHeightM, roughnessM: ROUGHNESS_M[ground] }
  return todayOf(tempC, stationPressurePa(altitudeM), humidity, wind, windMs === 0 ? 'calm' : 'meter')
}

const rounded = (value: number) => Math.round(value * 1000) / 1000

function answer(args: string[]): string {
  const given = readArguments(args)
  const { bag, player: named, level } = readBag(given.bag)
  const file = readJson(given.at, PickFile)
  const read = given.shots.flatMap(path => readShots(path, bag, named))
  const shots = read.map(({ shot }) => shot)
  const nowMs = shots.reduce((last, shot) => Math.max(last, shot.hitAtMs), 0)
  const calibrated = calibrate({ bag, level, shots, sessions: sessionsOf(read), nowMs }, USUAL_OPTIONS)
  const chart = publish(calibrated, new Map(), {
    number: 1,
    publishedAtMs: nowMs,
    unit: given.unit,
    note: '',
    changed: '',
    pick: { habit: 'club', rules: [], ...(file.courseScatter && { courseScatter: file.courseScatter }) },
  })
  const player = pickPlayerOf(chart)
  const { targetM, slopeM, firmness, lie, over, under, green, trouble } = file
  const flown = flownShots(player, { today: todayOfFile(file), slopeM, firmness })
  const question = { targetM, around: { trouble, ...(green && { green }) }, lie, over, under }
  const picked = pick(player, flown.shots, question)
  const [first] = picked.picks
  const out = {
    format: 'uzzet-picks',
    version: 1,
    targetM: rounded(targetM),
    playsLikeM: first ? rounded(first.playsM) : null,
    parts: first
      ? {
          windM: rounded(first.parts.windM),
          airM: rounded(first.parts.airM),
          slopeM: rounded(first.parts.slopeM),
        }
      : null,
    landM: first ? rounded(targetM - first.runM) : null,
    picks: picked.picks.map((one, i) => ({
      club: one.clubId,
      swing: one.rungId,
      gripDownM: rounded(one.gripDown * GRIP_DOWN_M),
      plusM: rounded(one.plusM),
      aimRightM: rounded(one.aimRightM),
      pitchM: rounded(one.pitchM),
      stopM: rounded(one.stopM),
      leaveM: rounded(one.leaveM),
      badLeaveM: rounded(one.badLeaveM),
      strokes: rounded(one.strokes),
      troubleShare: rounded(one.troubleShare),
      marginM: one.marginM === null ? null : rounded(one.marginM),
      ...(i === 0 && { why: whyText(picked, given.unit) }),
    })),
    nearerBadBall: picked.nearerBadBall,
    ties: picked.ties,
    unserved: picked.unserved,
    blocked: picked.blocked,
  }
  return `${JSON.stringify(out, null, 2)}\n`
}

open(answer)
