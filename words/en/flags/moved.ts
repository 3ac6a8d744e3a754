import type { FlagMessages } from '../../flag-messages'

export default {
  title: '{shorter} has moved',
  why: 'It was published at {wasM} and is {isM} by the balls since: {ballsSince} of them.',
  remedies: [
    'Ask what changed: a club, a swing thought, a sore back.',
    'Publish a new chart, or set the balls from before the change aside.',
  ],
} satisfies FlagMessages
