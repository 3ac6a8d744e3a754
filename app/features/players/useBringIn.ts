import type { BroughtIn } from '#shared/player-file'
import { api } from '~/offline/api'
import { openArchive, type Offered, type OpenedArchive } from '~/features/players/archives'

/** A whole record is large, and may come over a phone. */
const PATIENCE_MS = 180_000

/** Opens the archive of a player or an academy, and takes in who is chosen of it, one after the other. */
export function useBringIn() {
  const opened = shallowRef<OpenedArchive>()
  const fault = ref('')
  const busy = ref(false)
  const brought = shallowRef<BroughtIn[]>([])
  const failed = shallowRef<{ name: string; why: string }[]>([])
  /** How many of those that were chosen are through. */
  const done = ref(0)

  async function open(file: File): Promise<void> {
    fault.value = ''
    opened.value = undefined
    busy.value = true
    try {
      opened.value = await openArchive(file.name, new Uint8Array(await file.arrayBuffer()))
    } catch (error) {
      fault.value = (error as Error).message
    } finally {
      busy.value = false
    }
  }

  async function takeOne({ name, record }: Offered): Promise<void> {
    try {
      const one = await api('/api/players/bring-in', { method: 'POST', body: record, patienceMs: PATIENCE_MS })
      brought.value = [...brought.value, one]
    } catch (error) {
      failed.value = [...failed.value, { name, why: (error as Error).message }]
    }
  }

  /** @param chosen of the players of the file */
  async function take(chosen: readonly Offered[]): Promise<void> {
    busy.value = true
    done.value = 0
    failed.value = []
    try {
      const { academy } = opened.value!
      // First, since sessions name ranges, and its figures hold where nobody is here yet.
      if (academy)
        await api('/api/academy/bring-in', { method: 'POST', body: academy.file }).catch((error: unknown) => {
          failed.value = [{ name: `Ranges and drills of ${academy.name}`, why: (error as Error).message }]
        })
      for (const one of chosen) {
        await takeOne(one)
        done.value++
      }
    } finally {
      busy.value = false
    }
  }

  return { opened, fault, busy, brought, failed, done, open, take }
}
