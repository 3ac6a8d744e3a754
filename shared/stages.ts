/**
 * The stages of the work, in order, as far as they are built. Key is pressed after G; the short name stands on a phone.
 */
export const STAGES = [
  { id: 'bag', title: 'Bag', short: 'Bag', icon: 'i-lucide-backpack', key: 'b' },
  { id: 'session', title: 'Range session', short: 'Range', icon: 'i-lucide-target', key: 'r' },
  { id: 'chart', title: 'Carry chart', short: 'Chart', icon: 'i-lucide-grid-3x3', key: 'c' },
  { id: 'gaps', title: 'Gaps', short: 'Gaps', icon: 'i-lucide-ruler', key: 'g' },
  { id: 'pick', title: 'Pick', short: 'Pick', icon: 'i-lucide-flag', key: 'k' },
  { id: 'practice', title: 'Practice', short: 'Practice', icon: 'i-lucide-dumbbell', key: 't' },
  { id: 'rounds', title: 'Rounds', short: 'Rounds', icon: 'i-lucide-map', key: 'o' },
] as const

export type StageId = (typeof STAGES)[number]['id']
