import { v7 as newId } from 'uuid'
import type { DrillSpec } from '#core/practice/drill-spec'
import type { GoRecord } from '#shared/schemas/practice'
import { serverNowMs } from '~/offline/server-clock'

/** A go at a drill, from now on. */
export const newGo = (spec: DrillSpec, name = '', homeworkId: string | null = null): GoRecord => ({
  id: newId(),
  name,
  note: '',
  spec,
  startedAtMs: serverNowMs(),
  endedAtMs: null,
  homeworkId,
  sessionId: null,
  gone: false,
  balls: [],
  version: 1,
})
