import type { Answer, Answered } from '../core/gaps/answers'
import { dayText } from './hand-over'

/** What a coach can say to a flag, before and after it is said. */
export const ANSWER_WORDS: Record<Answer, { action: string, said: string }> = {
  'accepted': { action: 'Accept it', said: 'Accepted' },
  'working': { action: 'Working on it', said: 'Being worked on' },
  'not-a-fault': { action: 'Not a fault', said: 'Not a fault' },
}

/** What was answered, when, and why it no longer settles the flag; null without an answer. */
export function answerLine({ answer, lapsed }: Pick<Answered, 'answer' | 'lapsed'>): string | null {
  if (!answer) return null
  const until = answer.untilMs === null ? '' : ` until ${dayText(answer.untilMs)}`
  const note = answer.note ? `: ${answer.note}` : ''
  const again = lapsed === 'changed' ? ' Its figures have changed since.' : lapsed === 'time' ? ' That day has come.' : ''
  return `${ANSWER_WORDS[answer.answer].said}${until}, said on ${dayText(answer.saidAtMs)}${note}.${again}`
}
