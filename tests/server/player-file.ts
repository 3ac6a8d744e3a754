import { newId } from './client'

/** The smallest record that can be brought in: a name, and an empty bag. */
export const playerFile = (more: object = {}) => ({
  format: 'uzzet-record',
  version: 1,
  player: { id: newId(), name: 'Pip Marlow', level: 'good', hand: 'left', note: '', thresholds: {} },
  bag: { version: 1, clubs: [], scale: { school: 'clock', rungs: [] }, struckOut: [] },
  sessions: [],
  remarks: [],
  answers: [],
  whatIfs: [],
  goes: [],
  homework: [],
  rounds: [],
  published: [],
  shots: [],
  ...more,
})
