/** What a degree of bending takes with it. */
export const BEND_CAUTION =
  'A club maker bends it, by 1 to 3° at most; the bounce changes by as much, ' +
  'and some heads must not be bent at all.'

/** Changes of the bag that a search proposes. */
export const BAG_CHANGES = {
  add: 'Add a club of {toDeg}',
  takeOut: 'Leave the {club} at home',
  bend: 'Bend the {club} to {toDeg}, {by} {way, select, stronger {stronger} other {weaker}}',
} as const

/** What cover and flags would become. */
export const EFFECTS = {
  gripDown: 'Counted in the cover already: it is what to do until more is done.',
  leaves: 'there the best shot leaves {before} → {after} on average',
  covered: 'covered {before} → {after}',
  openFlags: 'open flags {before} → {after}',
  settles: 'It settles this flag: {all}.',
} as const
