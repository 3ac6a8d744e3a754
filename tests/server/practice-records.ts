import type { GoBall, GoRecord, HomeworkRecord } from '../../shared/schemas/practice'
import { newId } from './client'

export const aBall = (more: Partial<GoBall> = {}): GoBall => ({
  id: newId(),
  task: 0,
  atMs: Date.now(),
  endM: 50,
  version: 1,
  ...more,
})

export const aGo = (more: Partial<GoRecord> = {}): GoRecord => ({
  id: newId(),
  name: '',
  note: '',
  spec: {
    drill: 'stairs',
    tasks: [{ targetM: 50 }, { targetM: 60 }],
    order: 'in turn',
    ballsEach: 4,
    stop: { kind: 'balls' },
    measure: 'leave',
    score: 'points',
    level: 'good',
    seed: 3,
  },
  startedAtMs: Date.now() - 60_000,
  endedAtMs: null,
  homeworkId: null,
  sessionId: null,
  gone: false,
  balls: [],
  version: 1,
  ...more,
})

export const aHomework = (more: Partial<HomeworkRecord> = {}): HomeworkRecord => ({
  id: newId(),
  note: 'Twice',
  dueAtMs: Date.now() + 7 * 86_400_000,
  blocks: [{ id: newId(), name: 'Stairs', why: 'Loose', spec: aGo().spec }],
  setAtMs: Date.now() - 1000,
  withdrawn: false,
  ...more,
})
