/** What a session taught, as the player reads it. */
export const TAUGHT = {
  hit: '{balls, plural, one {# ball} other {# balls}}, {shots, plural, one {# stock shot} other {# stock shots}}.',
  fresh: 'New: {list}.',
  number: '{shot} {number}',
  moved: 'Moved: {list}.',
  was: '{shot} {number}, was {was}',
  loose: 'Still to be settled: {list}.',
  nothingNew: 'Every number you hit is where it was.',
  first: 'Next time begin with {shot}.',
} as const
