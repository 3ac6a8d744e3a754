import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Wide step at the top, {from} to {toM}',
  why:
    'The longest stock shot, {shorter}, carries {shorterM}, and the next club on, {longer}, {longerM}: a ' +
    'step of {stepM}, more than {widestStepM}.',
  remedies: [
    'Grip down on {longer}, or swing it shorter.',
    'A club in between, or a stronger loft of the shortest iron: a club maker does it.',
  ],
  open: '{n, plural, one {# step at the top reads too wide} other {# steps at the top read too wide}}',
} satisfies FlagMessages
