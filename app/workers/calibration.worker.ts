import { calibrate } from '#core/chart/calibrate'
import { foldEarlier, type Kept } from '#core/chart/grid-fit'
import type { Shot } from '#core/shot/shot'
import type { Answer, Ask } from './calibration-protocol'

/** From so many shots on, a ball is first answered by the live rule, and by the full one when the range is quiet. */
const FOLD_FROM_SHOTS = 600
const QUIET_MS = 400

const shots = new Map<string, Shot>()
let asked: Ask | undefined
let kept: Kept | undefined
/** What `kept` holds for: the bag, the level, the sessions, the options. */
let keptFor = ''
let timer: ReturnType<typeof setTimeout> | undefined

const post = (answer: Answer) => self.postMessage(answer)
const settingsOf = ({ player }: Ask) => JSON.stringify(player)

function answer({ turn, player, options }: Ask, live: boolean): void {
  const record = { ...player, shots: [...shots.values()] }
  const { grid, player: used, ...calibration } = calibrate(record, options, live ? kept : undefined)
  post({ turn, full: !live, calibration })
  if (live || shots.size < FOLD_FROM_SHOTS) return
  kept = foldEarlier(used, grid) ?? undefined
  keptFor = settingsOf(asked!)
}

function take(ask: Ask): void {
  if (ask.anew) shots.clear()
  const sessions = new Set<string>()
  for (const id of ask.gone) sessions.add(shots.get(id)?.sessionId ?? '')
  for (const shot of ask.put) sessions.add(shot.sessionId).add(shots.get(shot.id)?.sessionId ?? shot.sessionId)
  for (const id of ask.gone) shots.delete(id)
  for (const shot of ask.put) shots.set(shot.id, shot)
  asked = ask
  clearTimeout(timer)
  const live = !ask.anew && kept !== undefined && keptFor === settingsOf(ask) && [...sessions].every(id => id === kept!.live)
  answer(ask, live)
  if (live) timer = setTimeout(() => tell(asked!, () => answer(asked!, false)), QUIET_MS)
}

/** A failure is told, not swallowed: the page shows it and offers another try. */
function tell(ask: Ask, work: () => void): void {
  try {
    work()
  } catch (error) {
    console.error('calibration:', error)
    post({ turn: ask.turn, failure: (error as Error).message })
  }
}

self.addEventListener('message', ({ data }: MessageEvent<Ask>) => tell(data, () => take(data)))
