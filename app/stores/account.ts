import type { LockIn } from '#core/session/lock-in'
import type { DistanceUnit, HeightUnit, TempUnit, WindUnit } from '#core/units'
import type { Account } from '#shared/account'
import { api, onSignedOut, Refused } from '~/utils/api'
import { apiOrKept, forgetKept } from '~/utils/kept'

/** The signed-in coach, and what they read distances in. */
export const useAccount = defineStore('account', () => {
  const account = shallowRef<Account | null>(null)
  /** True when the server no longer knows us: the page stays, a line at the top leads to sign-in. */
  const signedOut = ref(false)
  onSignedOut(() => {
    signedOut.value = true
  })
  // On this device the choice is known before the server answers, and lasts without it.
  const keptUnit = useLocalStorage<DistanceUnit>('uzzet-unit', 'yd')
  const tempUnit = useLocalStorage<TempUnit>('uzzet-temp-unit', '°C')
  const windUnit = useLocalStorage<WindUnit>('uzzet-wind-unit', 'm/s')
  const heightUnit = useLocalStorage<HeightUnit>('uzzet-height-unit', 'm')
  const decimals = useLocalStorage<0 | 1>('uzzet-decimals', 0)

  const unit = computed(() => keptUnit.value)

  async function load(): Promise<Account | null> {
    if (account.value && !signedOut.value) return account.value
    try {
      account.value = await apiOrKept('/api/account')
      keptUnit.value = account.value.unit
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
    account.value = await api('/api/account', { method: 'PATCH', body: { unit: next } })
  }

  /** One pace of this coach, measured over a known distance. */
  async function setPace(paceM: number | null): Promise<void> {
    account.value = await api('/api/account', { method: 'PATCH', body: { paceM } })
  }

  /** Which habits of this coach are marked in the range session. */
  async function setLockIn(lockIn: LockIn): Promise<void> {
    account.value = await api('/api/account', { method: 'PATCH', body: { lockIn } })
  }

  /** @returns when nothing of this coach is kept on the device but what waits to be sent */
  function forget(): Promise<void> {
    account.value = null
    signedOut.value = false
    return forgetKept()
  }

  return {
    account,
    signedOut,
    unit,
    decimals,
    tempUnit,
    windUnit,
    heightUnit,
    load,
    setUnit,
    setPace,
    setLockIn,
    forget,
  }
})
