/** Where a shortcut acts, in the order of the list that `?` shows. */
export const KEY_GROUPS = {
  everywhere: 'Everywhere',
  range: 'On the range',
  panel: 'In an opened stock shot of the chart',
  lanes: 'In the lanes of Gaps',
  pick: 'In Pick',
  practice: 'In a go of Practice',
  bag: 'In the bag',
  whatIf: 'In What if',
} as const

interface Shortcut {
  group: keyof typeof KEY_GROUPS
  /** As `KeyboardEvent.key` in lower case, `mod+` for Ctrl or ⌘, `shift+`; two in a row with a blank between. */
  keys: readonly string[]
  /** How the list writes it; missing for one that is written with another. */
  shown?: string
  what?: string
}

/** Every shortcut of the program: nowhere else is a key bound. */
export const KEYMAP = {
  search: { group: 'everywhere', keys: ['/', 'mod+k'], shown: '/', what: 'Search players and stages' },
  help: { group: 'everywhere', keys: ['?'], shown: '?', what: 'This list' },
  playsLike: { group: 'everywhere', keys: ['w'], shown: 'W', what: 'What a target plays like today' },
  goBag: { group: 'everywhere', keys: ['g b'], shown: 'G then B', what: 'Bag' },
  goSession: { group: 'everywhere', keys: ['g r'], shown: 'G then R', what: 'Range session' },
  goChart: { group: 'everywhere', keys: ['g c'], shown: 'G then C', what: 'Carry chart' },
  goGaps: { group: 'everywhere', keys: ['g g'], shown: 'G then G', what: 'Gaps' },
  goPick: { group: 'everywhere', keys: ['g k'], shown: 'G then K', what: 'Pick' },
  goPractice: { group: 'everywhere', keys: ['g t'], shown: 'G then T', what: 'Practice' },
  goRounds: { group: 'everywhere', keys: ['g o'], shown: 'G then O', what: 'Rounds' },
  goPlayers: { group: 'everywhere', keys: ['g p'], shown: 'G then P', what: 'Players' },
  addPlayer: { group: 'everywhere', keys: ['n'], shown: 'N', what: 'Add a player, on their list' },
  digit: {
    group: 'range',
    keys: ['0', '1', '2', '3', '4', '5', '6', '7', '8', '9', '.', ','],
    shown: '0–9',
    what: 'Type the carry',
  },
  logBall: { group: 'range', keys: ['enter'], shown: 'Enter', what: 'Log the ball' },
  mishit: { group: 'range', keys: ['m'], shown: 'M', what: 'The ball before was a mishit' },
  flyer: { group: 'range', keys: ['f'], shown: 'F', what: 'It was a flyer' },
  faceOpen: { group: 'range', keys: ['o'], shown: 'O', what: 'The face was open: a push' },
  faceClosed: { group: 'range', keys: ['c'], shown: 'C', what: 'The face was closed: a pull' },
  swungLong: { group: 'range', keys: ['s'], shown: 'S', what: 'It was swung long' },
  shotBefore: { group: 'range', keys: ['b'], shown: 'B', what: 'It belongs to the shot before' },
  pile: { group: 'range', keys: ['p'], shown: 'P', what: 'A pile measured as one' },
  boardLeft: { group: 'range', keys: ['arrowleft'], shown: 'Arrow keys', what: 'Choose the stock shot' },
  boardRight: { group: 'range', keys: ['arrowright'] },
  boardUp: { group: 'range', keys: ['arrowup'] },
  boardDown: { group: 'range', keys: ['arrowdown'] },
  undoBall: { group: 'range', keys: ['u'], shown: 'U', what: 'Undo' },
  leaveOut: { group: 'range', keys: ['l'], shown: 'L', what: 'Leave out the last ball' },
  hitNext: { group: 'range', keys: ['n'], shown: 'N', what: 'Go to what to hit next' },
  clearCarry: { group: 'range', keys: ['escape'], shown: 'Esc', what: 'Clear what was typed' },
  mendCarry: { group: 'range', keys: ['backspace'] },
  walkLeft: { group: 'panel', keys: ['arrowleft'], shown: 'Arrow keys', what: 'Walk to its neighbours' },
  walkRight: { group: 'panel', keys: ['arrowright'] },
  walkUp: { group: 'panel', keys: ['arrowup'] },
  walkDown: { group: 'panel', keys: ['arrowdown'] },
  pickMore: { group: 'pick', keys: ['arrowup', '+'], shown: '↑ or +', what: 'One more' },
  pickLess: { group: 'pick', keys: ['arrowdown', '-'], shown: '↓ or −', what: 'One less' },
  goBall: { group: 'practice', keys: ['enter'], shown: 'Enter', what: 'Log the ball' },
  goUndo: { group: 'practice', keys: ['u'], shown: 'U', what: 'Undo, while nothing is typed' },
  goIn: { group: 'practice', keys: ['i'], shown: 'I', what: 'In: it is good' },
  goOut: { group: 'practice', keys: ['o'], shown: 'O', what: 'Out' },
  saveBag: { group: 'bag', keys: ['mod+s'], shown: 'Ctrl S', what: 'Save the bag' },
  undoBag: { group: 'bag', keys: ['mod+z'], shown: 'Ctrl Z', what: 'Undo a change' },
  redoBag: { group: 'bag', keys: ['mod+shift+z'], shown: 'Ctrl Shift Z', what: 'Redo' },
  undoWhatIf: { group: 'whatIf', keys: ['mod+z'], shown: 'Ctrl Z', what: 'Undo a change' },
  redoWhatIf: { group: 'whatIf', keys: ['mod+shift+z'], shown: 'Ctrl Shift Z', what: 'Redo' },
} as const satisfies Record<string, Shortcut>

export type ShortcutId = keyof typeof KEYMAP

/** Keys of a part that has the focus, and what is typed: listed, and bound by the part itself. */
const OF_PARTS: readonly [group: keyof typeof KEY_GROUPS, shown: string, what: string][] = [
  ['range', '4r, 4l, t79', 'After the carry: 4 right, 4 left, total 79'],
  ['range', 's6600, l29', 'Spin, launch'],
  ['range', 'b85, c68, h24', 'Ball speed, club speed, height'],
  ['range', 'f80', 'How full it felt, per cent'],
  ['panel', 'Esc', 'Back to the chart'],
  ['lanes', 'Left, right', 'By the yard or metre'],
  ['lanes', 'Page up, page down', 'By ten'],
  ['lanes', 'Up, down', 'From stock shot to stock shot'],
  ['lanes', 'Esc', 'Let go'],
]

/** The list that `?` shows. */
export function keyList(): { title: string; keys: [shown: string, what: string][] }[] {
  const all: readonly Shortcut[] = Object.values(KEYMAP)
  return Object.entries(KEY_GROUPS).map(([group, title]) => ({
    title,
    keys: [
      ...all.flatMap(one => (one.group === group && one.shown ? [[one.shown, one.what!] as [string, string]] : [])),
      ...OF_PARTS.flatMap(([of, shown, what]) => (of === group ? [[shown, what] as [string, string]] : [])),
    ],
  }))
}

/** A key as the keymap writes it. @example "mod+shift+z" */
export function keyOf(event: Pick<KeyboardEvent, 'key' | 'ctrlKey' | 'metaKey' | 'shiftKey' | 'altKey'>): string {
  const key = event.key.toLowerCase()
  const isMod = event.ctrlKey || event.metaKey
  return `${isMod ? 'mod+' : ''}${isMod && event.shiftKey ? 'shift+' : ''}${event.altKey ? 'alt+' : ''}${key}`
}

/** True for a shortcut of letters, figures or signs alone, which a speaker or a shaking hand can press unawares. */
export function isCharacter(key: string): boolean {
  return key.split(' ').every(one => Array.from(one).length === 1)
}
