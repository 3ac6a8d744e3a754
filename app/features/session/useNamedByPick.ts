import type { PublishedChart } from '#core/history/published'
import { toUnit } from '#core/units'
import { howText, pickName } from '#words/pick'
import { useDistance } from '~/ui/useDistance'
import type { SessionBalls } from '~/player/useSessionBalls'
import { usePlayerRecord } from '~/offline/stores/record'
import { apiOrKept } from '~/offline/kept'
import { workerClient } from '~/calculation/worker-client'
import type { PickApi } from '~/calculation/workers/pick.worker'

const start = () => new Worker(new URL('../../calculation/workers/pick.worker.ts', import.meta.url), { type: 'module' })
const PATIENCE_MS = 30_000

/**
 * What Pick would have named for a called target, from the published chart in the session's air. Asked after the ball
 * only: what is called comes first.
 */
export function useNamedByPick({ session }: SessionBalls) {
  const record = usePlayerRecord()
  const { unit } = useDistance()
  const { ask, end } = workerClient<PickApi>(start, 'The part that picks shots')
  onBeforeUnmount(end)
  /** The newest published chart, asked for once; undefined where nothing is published. */
  let chart: Promise<PublishedChart | undefined> | undefined
  async function load(): Promise<PublishedChart | undefined> {
    const params = { playerId: record.playerId! }
    const lines = await apiOrKept('/api/players/:playerId/published', { params })
    const number = lines[0]?.number
    return number === undefined
      ? undefined
      : apiOrKept('/api/players/:playerId/published/:number', { params: { ...params, number } })
  }
  let opened = ''

  /** "56° at 9:00, plus 1"; '' while nothing is published. @throws Unreachable, or what the worker could not do */
  async function namedFor(targetM: number): Promise<string> {
    chart ??= load().catch((error: unknown) => {
      chart = undefined
      throw error
    })
    const known = await chart
    if (!known) return ''
    const last = session.value?.air.at(-1)
    const air = last ? (JSON.parse(JSON.stringify(last)) as typeof last) : null
    const key = JSON.stringify([air, unit.value])
    if (opened !== key) {
      await ask(api => api.open(known, { air, slopeM: 0, firmness: 'medium' }, unit.value), PATIENCE_MS)
      opened = key
    }
    const question = { around: { trouble: [] }, lie: 'fairway' as const, over: [], under: [] }
    const { picks } = await ask(api => api.at(question, Math.round(toUnit(targetM, unit.value))), PATIENCE_MS)
    return picks[0] ? `${pickName(picks[0])}, ${howText(picks[0], unit.value)}` : ''
  }
  return { namedFor }
}
