/** What a ball says of a clock that was wrong. */
export const CLOCK = {
  day: '{n, plural, one {# day} other {# days}}',
  hour: '{n, plural, one {# hour} other {# hours}}',
  minute: '{n, plural, one {# minute} other {# minutes}}',
  off: 'The clock of the device was about {time} {way, select, ahead {ahead} other {behind}}; the time is set right.',
} as const
