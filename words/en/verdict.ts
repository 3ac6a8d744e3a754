/** What a whole chart comes to, in one sentence. */
export const VERDICT = {
  whole: 'Sound from {from} to {toM}.',
  sound: 'Sound from {from} to {toM}; {rest}.',
  none: 'No stretch is sound yet; {rest}.',
  alike: '{kind}, {places}',
  unproven: '{n, plural, one {# stretch is} other {# stretches are}} not proven yet',
  andUnproven: '{verdict} {n, plural, one {# stretch is} other {# stretches are}} not proven yet.',
  beyond: 'beyond it the best shot leaves more than {line}',
  beyondAll: 'the best shot leaves more than {line}',
  more: '{n, plural, one {# more flag} other {# more flags}}',
} as const
