/** What the cover comes to, and what stands in the place of flags where none is raised. */
export const COVER = {
  // Behind the count of yards that are covered.
  scatter:
    '{where, select, all {Even} allOthers {On the others even} some {On {n} of them even} ' +
    'other {On {n} of the {others} others even}} a stock shot of just that number would leave more: ' +
    'that is scatter, not a gap.',
  justOver: 'just over {line}',
  quiet: 'Nothing asks for an answer, as far as it is measured.',
  butLeft: 'No flag is raised, but {left}.',
  beyond: '{n} of {targets} {unit, select, m {metres} other {yards}} leave more than {line}',
  open: '{n, plural, one {one thing is} other {# things are}} still open',
} as const
