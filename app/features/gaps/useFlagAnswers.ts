import { v7 as newId } from 'uuid'
import type { Answer, FlagAnswer } from '#core/gaps/answers'
import type { Finding } from '#core/gaps/flag'
import { answerTexts } from '#words/flag-answers'
import { usePlayerRecord } from '~/offline/stores/record'
import { serverNowMs } from '~/offline/server-clock'

/** What the coach says to flags of the open player, with undo. */
export function useFlagAnswers() {
  const record = usePlayerRecord()
  const toast = useToast()

  function put(
    { flag, variant, cells, fromM, toM, figure }: Finding,
    answer: Answer,
    untilMs: number | null,
    note: string,
    holds: boolean,
  ): Promise<void> {
    const body = {
      flag,
      ...(variant && { variant }),
      cells: cells.map(({ clubId, rungId }) => ({ clubId, rungId })),
      fromM,
      toM,
      figure,
    }
    return record.putAnswer({
      id: newId(),
      ...body,
      answer,
      untilMs: holds ? untilMs : null,
      note,
      saidAtMs: serverNowMs(),
      holds,
    })
  }

  /** Answers, and offers to take it back to what held before. */
  async function say(
    finding: Finding,
    before: FlagAnswer | null,
    answer: Answer,
    untilMs: number | null,
    note: string,
  ): Promise<void> {
    await put(finding, answer, untilMs, note, true)
    const undo = () =>
      before ? put(finding, before.answer, before.untilMs, before.note, true) : put(finding, answer, null, '', false)
    toast.add({
      title: `${answerTexts[answer].given}.`,
      description: 'It stays so until its figures really change.',
      actions: [{ label: 'Undo', color: 'neutral', variant: 'outline', onClick: () => void undo() }],
    })
  }

  return { say, takeBack: (finding: Finding, before: FlagAnswer) => put(finding, before.answer, null, '', false) }
}
