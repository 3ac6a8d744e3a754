import { isCharacter, KEYMAP, keyOf, type ShortcutId } from '~/ui/keymap'

/** A second key belongs to the first within so long. */
const SEQUENCE_MS = 1200
/** Text is typed here, or a list is walked through: letters are theirs. */
const FIELDS = 'input, textarea, select, [contenteditable="true"], [role="menu"], [role="listbox"]'

/** What a shortcut does; false leaves the key to others. */
export type ShortcutAction = (event: KeyboardEvent) => unknown

interface Options {
  /** The one field whose keys are shortcuts too: the carry's. */
  field?: () => HTMLElement | null | undefined
  enabled?: () => boolean
  /** Bound by a dialog: its own inside is free, but for fields and lists. */
  inDialog?: boolean
}

/** Shortcuts of letters and signs can be switched off on this device (WCAG 2.2, success criterion 2.1.4). */
export const useCharacterKeys = () => useLocalStorage('uzzet-character-keys', true)

/** A field that takes shortcuts while it is empty. */
const isOpenField = (target: HTMLElement) =>
  target instanceof HTMLInputElement && target.dataset.shortcuts !== undefined && target.value === ''
const startsSequence = (key: string) =>
  Object.values(KEYMAP).some(({ keys }) => keys.some(one => one.startsWith(`${key} `)))

/** Binds shortcuts of the keymap while the component is there. None acts while text is typed. */
export function useShortcuts(
  actions: Partial<Record<ShortcutId, ShortcutAction>>,
  { field, enabled = () => true, inDialog = false }: Options = {},
): void {
  const characterKeys = useCharacterKeys()
  let before = { key: '', atMs: 0 }

  function isFree(target: HTMLElement, key: string): boolean {
    if (target === field?.()) return true
    // The carry's field is open to all shortcuts while nothing is typed in it.
    if (isOpenField(target)) return true
    // Undo belongs to the field while one is typed in; saving does not.
    if (key.startsWith('mod+')) return !key.endsWith('z') || !target.closest('input, textarea')
    return !target.closest(inDialog ? FIELDS : `${FIELDS}, [role="dialog"]`)
  }

  function actionFor(key: string): ShortcutAction | undefined {
    const pressed = [`${before.key} ${key}`, key]
    for (const [id, { keys }] of Object.entries(KEYMAP)) {
      const found = pressed.find(one => (keys as readonly string[]).includes(one))
      if (!found || (isCharacter(found) && !characterKeys.value)) continue
      const action = actions[id as ShortcutId]
      if (action) return action
    }
    return undefined
  }

  useEventListener('keydown', (event: KeyboardEvent) => {
    if (event.defaultPrevented || event.isComposing || !enabled()) return
    const key = keyOf(event)
    if (event.timeStamp - before.atMs > SEQUENCE_MS) before = { key: '', atMs: 0 }
    const action = isFree(event.target as HTMLElement, key) ? actionFor(key) : undefined
    before = { key, atMs: event.timeStamp }
    if (isOpenField(event.target as HTMLElement) && startsSequence(key) && characterKeys.value) event.preventDefault()
    if (action && action(event) !== false) event.preventDefault()
  })
}
