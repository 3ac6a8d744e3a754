/** Why a number lies outside all its balls. */
export const PULLED = {
  others:
    '{n, plural, one {One ball says {own}} other {# balls say {own}}}; the other stock shots pull it to {number}.',
  usual:
    '{n, plural, one {One ball says {own}} other {# balls say {own}}}; ' +
    'what is usual for such lofts and swings pulls it to {number}.',
  doubted:
    '{n, plural, one {One ball says {own}} other {# balls say {own}}}, and {n, plural, one {it is} other {they are}} ' +
    'doubted: see what is asked about {n, plural, one {it} other {them}}.',
} as const
