import type { Device, LiveMessage } from '#shared/device'
import type { DeviceAim } from '#shared/schemas/device'
import type { StockShot } from '#core/bag/bag'
import type { SessionBalls } from '~/player/useSessionBalls'
import { Refused, api } from '~/offline/api'
import { usePlayerRecord } from '~/offline/stores/record'

const AGAIN_MS = 2000
/** While one steps over the board each stop would be sent. */
const SETTLE_MS = 150

/**
 * A device that sends its balls into this session by itself, and is told what is chosen on the screen.
 */
export function useLiveDevice(
  sessionId: string,
  range: Pick<SessionBalls, 'session'> & { cell: Ref<StockShot | null | undefined> },
) {
  const record = usePlayerRecord()
  const devices = shallowRef<Device[]>([])
  const failure = ref<string>()
  const deviceId = ref<string | null>(null)
  /** When the device was last heard, by this browser's clock. */
  const heardAtMs = ref<number | null>(null)
  const running = computed(() => range.session.value?.endedAtMs === null)
  const device = computed(() => devices.value.find(other => other.id === deviceId.value))

  async function load(): Promise<void> {
    try {
      devices.value = await api('/api/devices')
      failure.value = undefined
      deviceId.value ??= devices.value.find(other => other.sessionId === sessionId)?.id ?? null
      heardAtMs.value ??= device.value?.heardAtMs ?? null
    } catch (error) {
      failure.value = (error as Error).message
    }
  }

  // The newest choice is what counts; until the server has it, it is sent again.
  let waiting: { device: string; at: DeviceAim['at']; fromMs: number } | undefined
  let timer: ReturnType<typeof setTimeout> | undefined
  const aimed = ref(false)

  async function send(): Promise<void> {
    clearTimeout(timer)
    const aim = waiting
    if (!aim) return
    try {
      await api('/api/devices/:deviceId/aim', {
        params: { deviceId: aim.device },
        method: 'PUT',
        body: { at: aim.at, fromMs: aim.fromMs, sentAtMs: Date.now() } satisfies DeviceAim,
      })
      if (waiting !== aim) return
      waiting = undefined
      aimed.value = true
    } catch (error) {
      // A device that was revoked meanwhile is no more; a session that is not sent yet will be.
      if (error instanceof Refused && error.status === 404) {
        waiting = undefined
        deviceId.value = null
        return load()
      }
      timer = setTimeout(() => void send(), AGAIN_MS)
    }
  }

  function aim(id: string, at: DeviceAim['at'], now = false): void {
    aimed.value = false
    waiting = { device: id, at, fromMs: Date.now() }
    clearTimeout(timer)
    timer = setTimeout(() => void send(), now ? 0 : SETTLE_MS)
  }

  const target = computed(() =>
    running.value && range.cell.value
      ? { playerId: record.playerId!, sessionId, clubId: range.cell.value.clubId, rungId: range.cell.value.rungId }
      : null,
  )
  watch([deviceId, () => target.value && JSON.stringify(target.value)], ([id], [was]) => {
    if (was && was !== id) aim(was, null, true)
    if (id) aim(id, target.value)
  })

  useEventListener('online', () => void send())

  onMounted(load)
  onBeforeUnmount(() => clearTimeout(timer))
  /** The live line heard something: was it this device? */
  function heard(message: LiveMessage): boolean {
    const own = message.deviceId !== null && message.deviceId === deviceId.value
    if (own) heardAtMs.value = Date.now()
    return own
  }

  return { devices, device, deviceId, failure, heardAtMs, aimed, heard, load }
}
