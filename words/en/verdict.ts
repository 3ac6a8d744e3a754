/** What a whole chart comes to, in one sentence. */
export const VERDICT = {
  whole: 'Sound from {from} to {toM}.',
  sound: 'Sound from {from} to {toM}; {rest}.',
  noneYet: 'No stretch is sound yet; {rest}.',
  none: 'No stretch is sound; {rest}.',
  noneProven: 'No stretch is sound yet: {n, plural, one {# stretch is} other {# stretches are}} not proven.',
  short: 'The numbers lie too close together to speak of a stretch.',
  mostBeyond: 'Over most of it the best shot leaves more than {line}.',
  mostBeyondAnd: 'Over most of it the best shot leaves more than {line}; {rest}.',
  alike: '{kind}, {places}',
  unproven: '{n, plural, one {# stretch is} other {# stretches are}} not proven yet',
  andUnproven: '{verdict} {n, plural, one {# stretch is} other {# stretches are}} not proven yet.',
  beyond: 'beyond it the best shot leaves more than {line}',
  more: '{n, plural, one {# more flag} other {# more flags}}',
} as const
