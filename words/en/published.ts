/** What stands on a published chart, a card and the player's phone. */
export const PUBLISHED = {
  figures: '{total, select, yes {Total} other {Carry}} in {unit, select, yd {yards} other {metres}}',
  onGround: '{figures}, {ground} ground',
  neutral: 'neutral air: 20 °C, calm, sea level',
  asMeasured: 'as measured',
  written: '{line} (written)',
  predicted: '{line} (predicted)',
  line: '{figure}  {name}',
  totals: 'totals on {ground} ground {number}',
  chart: 'carry chart {number}',
  head: '{player}, {chart}, {day}, {air}',
} as const

/** "56° at 9:00": full swings and one-length scales need no "at". */
export const STOCK_SHOT = { at: '{club} at {swing}', plain: '{club} {swing}' } as const

/** What is handed out to the player. */
export const PUBLISHED_WHICH_WORDS = {
  'measured': 'Only measured and written ones',
  'well-predicted': 'Predicted ones too, where they are known well enough',
  'all': 'All of them',
} as const

export const HELD_BACK = {
  measured: '{n, plural, one {# predicted number stays} other {# predicted numbers stay}} empty.',
  wide:
    '{n, plural, one {# predicted number is} other {# predicted numbers are}} known no better than ± {limit}, ' +
    'and {n, plural, one {stays} other {stay}} empty.',
} as const
