/** A target that was called before the ball was hit. */
export const CALLED = {
  on: 'on the number',
  short: '{off} short',
  past: '{off} past',
  plus: 'plus {by}',
  minus: 'minus {by}',
  result: 'Called {target} with {shot}: {way}.',
  sum: '{n, plural, one {# called ball} other {# called balls}}: {off} off on average, {within} within {limit}.',
  worth: 'Plus {said} comes to {comes} {unit}, ± {doubt}, for this player ({n} called balls).',
} as const
