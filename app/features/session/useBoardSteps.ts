import { v7 as newId } from 'uuid'
import type { DropdownMenuItem } from '@nuxt/ui'
import { cellKey, isStruckOut, rungsInUse, type StockShot } from '#core/bag/bag'
import type { BagStep, StepFault } from '#core/bag/bag-step'
import { LABEL_MAX } from '#core/limits'
import { rungName, type Rung } from '#core/swing/scale'
import { useCellRemarks } from '~/player/useCellRemarks'
import { useDistance } from '~/ui/useDistance'
import { useCellNames, useNumbers } from '~/calculation/useNumbers'
import { usePlayerRecord } from '~/offline/stores/record'

const FAULT_WORDS: Record<StepFault, string> = {
  'name-taken': 'Another swing length has that name: each needs one of its own.',
  'no-such-rung': 'That swing length is no longer in the bag.',
  'no-such-club': 'That club is no longer in the bag.',
}

/** What a name is asked for: a swing length to be added below another, or one to be renamed. */
type Asked = { what: 'add'; below: string | null; title: string } | { what: 'rename'; rungId: string; title: string }

type Ask = (what: Asked, was?: string) => void

/** What is done to a swing length from one of its cells. @param below the next shorter one */
function rungItems(rung: Rung, below: Rung | null, ask: Ask): DropdownMenuItem[] {
  const name = rungName(rung)
  return [
    {
      label: `Add a length longer than ${name}…`,
      icon: 'i-lucide-arrow-up',
      onSelect: () => ask({ what: 'add', below: below?.id ?? null, title: `A length longer than ${name}` }),
    },
    {
      label: `Add a length shorter than ${name}…`,
      icon: 'i-lucide-arrow-down',
      onSelect: () => ask({ what: 'add', below: rung.id, title: `A length shorter than ${name}` }),
    },
    {
      label: `Rename ${name}…`,
      icon: 'i-lucide-pencil',
      onSelect: () => ask({ what: 'rename', rungId: rung.id, title: `Rename ${name}` }, rung.label),
    },
  ]
}

/** The form that a name is asked for with. */
function useNaming(make: (step: BagStep, title: string, back: BagStep) => Promise<boolean>, fault: Ref<string>) {
  const record = usePlayerRecord()
  const asked = shallowRef<Asked | null>(null)
  const name = ref('')

  function ask(what: Asked, was = ''): void {
    asked.value = what
    name.value = was
    fault.value = ''
  }

  async function save(): Promise<void> {
    const label = name.value.trim()
    if (label === '' || label.length > LABEL_MAX) {
      fault.value = `A name has 1 to ${LABEL_MAX} characters.`
      return
    }
    const what = asked.value!
    const rungs = record.bag.scale.rungs
    if (what.what === 'rename') {
      const was = rungs.find(rung => rung.id === what.rungId)?.label ?? ''
      const done = await make({ kind: 'rename-rung', rungId: what.rungId, label }, `${was} is called ${label}`, {
        kind: 'rename-rung',
        rungId: what.rungId,
        label: was,
      })
      if (done) asked.value = null
      return
    }
    const rung = { id: newId(), label, cue: '', flight: 'normal' as const, retired: false }
    const added = await make({ kind: 'add-rung', rung, below: what.below }, `${label} is on the board`, {
      kind: 'drop-rung',
      rungId: rung.id,
    })
    if (added) asked.value = null
  }
  return { ask, form: { asked, name, fault, save } }
}

/** Changes of the bag that are made from the board without leaving the session; they wait where there is no network. */
export function useBoardSteps() {
  const record = usePlayerRecord()
  const toast = useToast()
  const { cellName } = useCellNames()
  const { gapsChart } = useNumbers()
  const { remarksOf, say } = useCellRemarks()
  const { text, unit } = useDistance()
  const fault = ref('')

  async function make(step: BagStep, title: string, back: BagStep): Promise<boolean> {
    const found = await record.putBagStep({ id: newId(), step })
    if (found) {
      fault.value = FAULT_WORDS[found]
      return false
    }
    toast.add({
      title,
      actions: [
        {
          label: 'Undo',
          color: 'neutral',
          variant: 'outline',
          onClick: () => void record.putBagStep({ id: newId(), step: back }),
        },
      ],
    })
    return true
  }

  const use = (cell: StockShot, used: boolean) =>
    make(
      { kind: 'use', clubId: cell.clubId, rungId: cell.rungId, used },
      `${cellName(cell)} ${used ? 'is used again' : 'is not used now'}`,
      { kind: 'use', clubId: cell.clubId, rungId: cell.rungId, used: !used },
    )

  const naming = useNaming(make, fault)

  /** "That's the number": written down as it is read, and the stock shot is closed. */
  const number = (cell: StockShot) => gapsChart.value.find(one => cellKey(one) === cellKey(cell))?.carryM ?? null
  function write(cell: StockShot): void {
    const carryM = number(cell)
    if (carryM !== null) void say(cell, 'written', carryM, '', `written as ${text(carryM)} ${unit.value}`)
  }

  function itemsFor(cell: StockShot): DropdownMenuItem[][] {
    const rungs = rungsInUse(record.bag)
    const at = rungs.findIndex(rung => rung.id === cell.rungId)
    const rung = rungs[at]
    if (!rung) return []
    const carryM = number(cell)
    const struckOut = isStruckOut(record.bag, cell)
    return [
      [{ label: cellName(cell), type: 'label' as const }],
      [
        {
          label: carryM === null ? "That's the number" : `That's the number: ${text(carryM)} ${unit.value}`,
          icon: 'i-lucide-pencil-line',
          disabled: carryM === null || remarksOf(cell).written?.carryM != null,
          onSelect: () => write(cell),
        },
        {
          label: struckOut ? 'Use it again' : 'Stop using it',
          icon: struckOut ? 'i-lucide-rotate-ccw' : 'i-lucide-ban',
          onSelect: () => void use(cell, struckOut),
        },
      ],
      rungItems(rung, rungs[at + 1] ?? null, naming.ask),
    ]
  }

  return { itemsFor, ...naming.form }
}
