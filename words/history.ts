import type { HistoryLine } from '../core/history/record-change'
import { HISTORY } from './en/history'
import { write } from './message'

/** What a line of a player's history tells. */
export function historyText({ kind, by, times }: Pick<HistoryLine, 'kind' | 'by' | 'times'>): string {
  return write(HISTORY[kind], { who: by ?? '', n: times })
}
