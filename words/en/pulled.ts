/** Why a number lies outside all its balls. */
export const PULLED = {
  others:
    '{n, plural, one {One ball says {own}} other {# balls say {own}}}; ' +
    'the other stock shots say {others} and pull it to {number}.',
  plain:
    '{n, plural, one {One ball says {own}} other {# balls say {own}}}; ' +
    'weighed with all the others it is {number}.',
  doubted:
    '{n, plural, one {One ball says {own}} other {# balls say {own}}}, and {n, plural, one {it is} other {they are}} ' +
    'doubted: below is what is asked about {n, plural, one {it} other {them}}.',
} as const
