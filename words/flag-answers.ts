import type { Answer, Answered } from '../core/gaps/answers'
import { dayText } from './dates'
import { ANSWER_LINE, FLAG_ANSWERS } from './en/flag-answers'
import { write } from './message'

/** What a coach can say to a flag, before and after it is said. */
export const answerTexts: Record<Answer, { action: string; given: string }> = FLAG_ANSWERS

const LAPSED = { changed: ANSWER_LINE.changed, time: ANSWER_LINE.over } as const

/** What was answered, when, and why it no longer settles the flag; null without an answer. */
export function answerLine({ answer, lapsed }: Pick<Answered, 'answer' | 'lapsed'>): string | null {
  if (!answer) return null
  const { given } = answerTexts[answer.answer]
  const until =
    answer.untilMs === null ? given : write(ANSWER_LINE.until, { answer: given, day: dayText(answer.untilMs) })
  const on = write(ANSWER_LINE.on, { answer: until, day: dayText(answer.saidAtMs) })
  const line = answer.note ? write(ANSWER_LINE.note, { line: on, note: answer.note }) : on
  return lapsed ? `${line}. ${write(LAPSED[lapsed])}` : `${line}.`
}
