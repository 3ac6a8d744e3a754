/** What a whole chart comes to, in one sentence. */
export const VERDICT = {
  whole: 'Sound from {from} to {toM}.',
  sound: 'Sound from {from} to {toM}; {rest}.',
  noneYet: 'No stretch is sound yet; {rest}.',
  none: 'No stretch is sound; {rest}.',
  mostBeyond: 'Over most of it the best shot leaves more than {line}; {rest}.',
  alike: '{kind}, {places}',
  unproven: '{n, plural, one {# stretch is} other {# stretches are}} not proven yet',
  andUnproven: '{verdict} {n, plural, one {# stretch is} other {# stretches are}} not proven yet.',
  beyond: 'beyond it the best shot leaves more than {line}',
  beyondMost: 'over most of it the best shot leaves more than {line}',
  more: '{n, plural, one {# more flag} other {# more flags}}',
} as const
