import type { FlagMessages } from '../../flag-messages'

export default {
  title: 'Misses short when trusted',
  why:
    'Of {missesN} balls that missed a trusted number by more than {withinM}, {shortN} pitched short, by ' +
    '{meanM} on average.',
  remedies: [
    'Choose the longer of two numbers until it is mended.',
    'If one swing length alone falls short, write its number down again.',
  ],
} satisfies FlagMessages
