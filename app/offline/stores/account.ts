import type { LockIn } from '#core/session/lock-in'
import type { DistanceUnit } from '#core/units'
import type { Account } from '#shared/account'
import type { CoachSettings, ReadingUnits } from '#shared/schemas/account'
import { api, dropAhead, onSignedOut, Refused } from '~/offline/api'
import { apiOrKept, forgetKept, forgetSignedOut } from '~/offline/kept'

/** What goes with yards and with metres, where a coach has not chosen. */
const USUAL_UNITS: Record<DistanceUnit, Required<ReadingUnits>> = {
  yd: { speed: 'mph', wind: 'mph', temp: '°C', height: 'ft' },
  m: { speed: 'km/h', wind: 'm/s', temp: '°C', height: 'm' },
}

type Units = Required<CoachSettings>['units']

/** Units that are read beside distances: the coach's choice for yards or metres, else what goes with them. */
function readingUnits(
  unit: Ref<DistanceUnit>,
  kept: Ref<Units>,
  setSettings: (change: Partial<CoachSettings>) => Promise<void>,
) {
  const unitOf = <K extends keyof ReadingUnits>(kind: K) =>
    computed<NonNullable<ReadingUnits[K]>>({
      get: () => kept.value[unit.value]?.[kind] ?? USUAL_UNITS[unit.value][kind],
      set: chosen => {
        const now = { ...kept.value, [unit.value]: { ...kept.value[unit.value], [kind]: chosen } }
        kept.value = now
        // Without a network it holds on this device, and goes with the next choice.
        void setSettings({ units: now }).catch((error: unknown) => console.error('unit not sent:', error))
      },
    })
  return {
    tempUnit: unitOf('temp'),
    windUnit: unitOf('wind'),
    heightUnit: unitOf('height'),
    speedUnit: unitOf('speed'),
  }
}

/** The signed-in coach, and what they read distances in. */
export const useAccount = defineStore('account', () => {
  const account = shallowRef<Account | null>(null)
  /** True when the server no longer knows us: the page stays, a line at the top leads to sign-in. */
  const signedOut = ref(false)
  /** Signed in with a password that is tried before others: another is asked for, nobody is locked out. */
  const triedFirst = ref(false)
  onSignedOut(() => {
    signedOut.value = true
    // Whoever ended it may have lost this device.
    void forgetSignedOut()
  })
  // On this device the choice is known before the server answers, and lasts without it.
  const keptUnit = useLocalStorage<DistanceUnit>('uzzet-unit', 'yd')
  /** Chosen here, and not yet known to be with the server: a page that was left at once, or no network. */
  const unsentUnit = useLocalStorage<DistanceUnit | ''>('uzzet-unit-unsent', '')
  const keptUnits = useLocalStorage<Units>('uzzet-units', {})
  const decimals = useLocalStorage<0 | 1>('uzzet-decimals', 0)

  const unit = computed(() => keptUnit.value)

  const units = readingUnits(unit, keptUnits, change => setSettings(change))

  async function load(): Promise<Account | null> {
    if (account.value && !signedOut.value) return account.value
    try {
      account.value = await apiOrKept('/api/account')
      if (unsentUnit.value)
        void setUnit(unsentUnit.value).catch((error: unknown) => console.error('unit not sent:', error))
      else keptUnit.value = account.value.unit
      if (account.value.settings.units) keptUnits.value = account.value.settings.units
      signedOut.value = false
    } catch (error) {
      if (!(error instanceof Refused && error.status === 401)) throw error
      account.value = null
    }
    return account.value
  }

  /** Changes every figure at once; the server hears of it when it can. */
  async function setUnit(next: DistanceUnit): Promise<void> {
    keptUnit.value = next
    unsentUnit.value = next
    account.value = await api('/api/account', { method: 'PATCH', body: { unit: next } })
    if (unsentUnit.value === next) unsentUnit.value = ''
  }

  /** One pace of this coach, measured over a known distance. */
  async function setPace(paceM: number | null): Promise<void> {
    account.value = await api('/api/account', { method: 'PATCH', body: { paceM } })
  }

  /** Which habits of this coach are marked in the range session. */
  async function setLockIn(lockIn: LockIn): Promise<void> {
    account.value = await api('/api/account', { method: 'PATCH', body: { lockIn } })
  }

  /** What this coach chose, besides what stands already. */
  async function setSettings(change: Partial<CoachSettings>): Promise<void> {
    const settings = { ...account.value?.settings, ...change }
    account.value = await api('/api/account', { method: 'PATCH', body: { settings } })
  }
  const settings = computed<CoachSettings>(() => account.value?.settings ?? {})

  /** @returns when nothing of this coach is kept on the device but what waits to be sent */
  function forget(): Promise<void> {
    dropAhead()
    account.value = null
    signedOut.value = false
    triedFirst.value = false
    // The next one's unit is their own.
    unsentUnit.value = ''
    return forgetKept()
  }

  return {
    account,
    signedOut,
    triedFirst,
    unit,
    decimals,
    ...units,
    settings,
    setSettings,
    load,
    setUnit,
    setPace,
    setLockIn,
    forget,
  }
})
