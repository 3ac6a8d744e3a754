/** The stages of the work, in order, as far as they are built. Key is pressed after G. */
export const STAGES = [
  { id: 'bag', title: 'Bag', icon: 'i-lucide-backpack', key: 'b' },
  { id: 'session', title: 'Range session', icon: 'i-lucide-target', key: 'r' },
  { id: 'chart', title: 'Carry chart', icon: 'i-lucide-grid-3x3', key: 'c' },
  { id: 'gaps', title: 'Gaps', icon: 'i-lucide-ruler', key: 'g' },
  { id: 'pick', title: 'Pick', icon: 'i-lucide-flag', key: 'k' },
  { id: 'practice', title: 'Practice', icon: 'i-lucide-dumbbell', key: 't' },
] as const

export type StageId = (typeof STAGES)[number]['id']
