import { mergedGo } from '#shared/practice'
import type { GoRecord } from '#shared/schemas/practice'
import { useOwnDocuments } from '~/offline/useOwnDocuments'

/**
 * Goes of homework on the player's own phone.
 * @param told what the server knows of them
 */
export function useOwnGoes(mark: Ref<string>, told: Ref<readonly GoRecord[]>) {
  const { own, waiting, refused, failure, add, send, letGo } = useOwnDocuments('own-go', 'uzzet-own-goes', mark)
  /** As this phone and the server know them together, newest first. */
  const goes = computed(() => {
    const all = new Map(told.value.map(go => [go.id, go]))
    for (const { go } of own.value) {
      const known = all.get(go.id)
      all.set(go.id, known ? mergedGo(known, go) : go)
    }
    return [...all.values()].filter(({ gone }) => !gone).sort((a, b) => b.startedAtMs - a.startedAtMs)
  })
  // What the server has, and tells as well as this phone knows it, need not be kept here too.
  onMounted(() => {
    const versions = new Map(told.value.map(({ id, version }) => [id, version]))
    letGo(go => (versions.get(go.id) ?? 0) >= go.version)
  })
  return { goes, waiting, refused, failure, put: add, send }
}
