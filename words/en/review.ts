/** The coach's review of a period, so that it can be handed to the player as it is. */
export const REVIEW = {
  moved: '{n, plural, one {One number moved} other {# numbers moved}} between these two days.',
  notMoved: 'No number has moved for sure between these two days.',
  noBalls: 'No ball was hit for the chart between these two days.',
  first: 'Nothing was measured before: these are the first numbers.',
  balls:
    '{balls, plural, one {# ball} other {# balls}} with {shots, plural, one {one stock shot} other {# stock shots}}.',
  certain: 'moved, certain',
  likely: 'moved, likely',
  fresh: 'new',
  opened: 'New flags',
  closed: 'Closed',
  stillOpen: 'Still open',
  flag: '{title}. {why}',
  closedFlag: '{title}, {from} to {to}: no longer so.',
  closedAt: '{title}, about {from}: no longer so.',
  noFlags: 'No flag was raised, then or now.',
  practice:
    '{name}: {goes, plural, one {one go} other {# goes}}, {balls, plural, one {# ball} other {# balls}}. {scores}',
  oneScore: 'Score: {last}.',
  scores: 'First {first}, last {last}.',
  noPractice: 'Nothing was practised.',
  noRounds: 'No round was told.',
  retest: 'Retest: {balls, plural, one {# ball} other {# balls}}',
  work: 'Practise {shot}',
  hit: 'Hit {shot}, {balls, plural, one {# ball} other {# balls}}',
  nothing: 'Nothing is pressing: keep the numbers alive with a few balls each.',
} as const
