/** A called club speed. */
export const SPEED_CALL = {
  on: 'at {speed}',
  fast: '{off} fast, about {cost} more',
  slow: '{off} slow, about {cost} less',
  taken:
    '{n, plural, one {Its ball is} other {Each of # balls is}} taken to {speed} along the curve of this club: ' +
    'one {unit} is worth {worth} here.',
} as const
