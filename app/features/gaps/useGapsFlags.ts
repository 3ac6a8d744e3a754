import { cellKey } from '#core/bag/bag'
import { flagRule } from '#core/gaps/flags'
import { verdictOf } from '#core/gaps/verdict'
import { flagText, stillOpenText } from '#words/flags'
import { verdictText } from '#words/verdict'
import { useDistance } from '~/ui/useDistance'
import { useGapsLine } from '~/player/useGapsLine'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import type { FlagMark, FlagMarkKind } from '~/features/gaps/lanes'

/** The flags of the open player as the page of gaps shows them: numbered, in their places, and summed up. */
export function useGapsFlags() {
  const { flags, openFlags, stillOpen, unproven, cover } = useNumbers()
  const { cellName, clubLabel } = useCellNames()
  const { lineM } = useGapsLine()
  const { unit } = useDistance()
  const names = { cell: cellName, club: clubLabel }
  const kindOf = (flag: string) => flagRule(flag).meta.kind

  /** Those that ask something of the coach, those that matter most first: the first has the number 1. */
  const open = computed(() => openFlags.value.map(finding => flags.value.find(one => one.finding === finding)!))
  const isFault = (flag: string) => kindOf(flag) !== 'asset' && kindOf(flag) !== 'unproven'
  const noFault = computed(() => flags.value.filter(({ finding, settled }) => !settled && !isFault(finding.flag)))
  const settled = computed(() => flags.value.filter(one => one.settled))

  const chosen = ref<number | null>(null)
  const pointed = ref<number | null>(null)
  const lit = computed(() => pointed.value ?? chosen.value)
  // A flag that is answered takes its number with it.
  watch(
    () => open.value.length,
    () => {
      chosen.value = null
      pointed.value = null
    },
  )
  const choose = (number: number) => {
    chosen.value = chosen.value === number ? null : number
  }

  const marks = computed(() =>
    open.value.flatMap(({ finding }, i): FlagMark[] =>
      // What speaks of the player, and of no yardage, has no place in the picture.
      finding.toM > 0
        ? [
            {
              number: i + 1,
              kind: kindOf(finding.flag) as FlagMarkKind,
              title: flagText(finding, names, unit.value).title,
              fromM: finding.fromM,
              toM: finding.toM,
              cells: finding.cells.map(cellKey),
              sure: finding.sureness !== 'likely',
            },
          ]
        : [],
    ),
  )

  const verdict = computed(() => {
    const at = cover.value?.at ?? []
    const titles = open.value.map(({ finding }) => flagText(finding, names, unit.value).title)
    if (at.length === 0) return ''
    const found = verdictOf(at, lineM.value, openFlags.value, unproven.value)
    return verdictText(found, titles, unproven.value.length, lineM.value, unit.value)
  })
  const questions = computed(() =>
    stillOpen.value.map(one => ({
      text: stillOpenText(one, names, unit.value),
      /** Asked of the range session: the stock shots that would decide it, and the balls with each. */
      settle:
        one.balls === null || one.finding.cells.length === 0
          ? null
          : { settle: one.finding.cells.map(cellKey).join(','), balls: String(one.balls) },
    })),
  )

  return { open, noFault, settled, chosen, pointed, lit, choose, marks, verdict, questions, lineM }
}
