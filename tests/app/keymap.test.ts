import { describe, expect, it } from 'vitest'
import { isCharacter, KEY_GROUPS, KEYMAP, keyList, keyOf } from '../../app/ui/keymap'

const pressed = (key: string, held: Partial<Record<'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey', boolean>> = {}) =>
  keyOf({ key, ctrlKey: false, metaKey: false, shiftKey: false, altKey: false, ...held })

describe('the keymap', () => {
  it('writes a key the same way however it is held', () => {
    expect([pressed('W'), pressed('?', { shiftKey: true }), pressed('ArrowLeft')]).toEqual(['w', '?', 'arrowleft'])
    expect([pressed('z', { ctrlKey: true }), pressed('Z', { metaKey: true, shiftKey: true })]).toEqual([
      'mod+z',
      'mod+shift+z',
    ])
    expect(pressed('l', { altKey: true })).toBe('alt+l')
  })

  it('binds no key twice in one place', () => {
    for (const group of Object.keys(KEY_GROUPS)) {
      const keys = Object.entries(KEYMAP).flatMap(([id, one]) =>
        one.group === group && id !== 'addPlayer' ? [...one.keys] : [],
      )
      expect(new Set(keys).size, group).toBe(keys.length)
    }
  })

  it('knows what a voice or a slip can press: letters, figures and signs, also one after the other', () => {
    expect(['u', '?', '7', 'g b'].map(isCharacter)).toEqual([true, true, true, true])
    expect(['mod+z', 'arrowleft', 'escape', 'enter'].map(isCharacter)).toEqual([false, false, false, false])
  })

  it('lists every shortcut that has a way of writing it, under its place', () => {
    const list = keyList()
    expect(list.map(group => group.title)).toEqual(Object.values(KEY_GROUPS))
    expect(list[0]!.keys).toContainEqual(['?', 'This list'])
    expect(list.flatMap(group => group.keys).every(([shown, what]) => shown !== '' && what !== '')).toBe(true)
  })
})
