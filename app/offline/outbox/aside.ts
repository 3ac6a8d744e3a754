import { computed, shallowRef, type Ref } from 'vue'
import { withFollowers, type AnyEntry, type OutboxItem } from '~/offline/outbox/entries'

/** An entry that failed alone so often, once at least while others were taken, steps aside. */
const TRIES_BEFORE_ASIDE = 3
/** What stepped aside is tried again by itself now and then. */
const ASIDE_AGAIN_MS = 600_000

const FOLLOWS = 'It waits for one before it that did not get through.'

/**
 * Which of somebody's entries go, and which stepped aside so that others could: those that fail while others are taken
 * hold up nothing, and stay.
 * @param again sends what came back
 */
export function makeAside<E extends AnyEntry>(mine: Ref<OutboxItem<E>[]>, again: () => void) {
  type Item = OutboxItem<E>
  /** Entries that stepped aside, and why. Kept like all others. */
  const asideWhy = shallowRef<ReadonlyMap<number, string>>(new Map())
  const waiting = computed(() => mine.value.filter(item => !item.refused && !asideWhy.value.has(item.seq)))
  const aside = computed(() => mine.value.filter(item => !item.refused && asideWhy.value.has(item.seq)))

  /** How often an entry failed alone, and those that did while others were taken. */
  const tries = new Map<number, number>()
  const failedBeside = new Set<number>()
  let timer: ReturnType<typeof setTimeout> | undefined

  function forget(seq: number): void {
    tries.delete(seq)
    failedBeside.delete(seq)
  }

  function step(list: readonly Item[], why: string): void {
    const followers = withFollowers(list, waiting.value)
    const next = new Map(asideWhy.value)
    for (const item of followers) next.set(item.seq, list.includes(item) ? why : FOLLOWS)
    asideWhy.value = next
    clearTimeout(timer)
    timer = setTimeout(comeBack, ASIDE_AGAIN_MS)
  }

  function comeBack(): void {
    for (const seq of asideWhy.value.keys()) forget(seq)
    asideWhy.value = new Map()
    again()
  }

  /** After a round: what failed alone again and again, while others were taken, steps aside. */
  function judge(failed: ReadonlyMap<number, string>, anyTaken: boolean): void {
    for (const seq of failed.keys()) if (anyTaken) failedBeside.add(seq)
    const hopeless = waiting.value.filter(
      ({ seq }) => failed.has(seq) && failedBeside.has(seq) && (tries.get(seq) ?? 0) >= TRIES_BEFORE_ASIDE,
    )
    for (const item of hopeless) step([item], failed.get(item.seq)!)
    // What was entered since cannot go before what stepped aside either.
    const behind = withFollowers(
      aside.value,
      [...aside.value, ...waiting.value].sort((a, b) => a.seq - b.seq),
    ).filter(item => !asideWhy.value.has(item.seq))
    if (behind.length > 0) step(behind, FOLLOWS)
  }

  return {
    asideWhy,
    waiting,
    aside,
    comeBack,
    judge,
    forget,
    /** One of them is to be tried again. */
    callBack(seq: number): void {
      forget(seq)
      asideWhy.value = new Map([...asideWhy.value].filter(([other]) => other !== seq))
    },
    triesOf: (seq: number) => tries.get(seq) ?? 0,
    countTry: (seq: number) => void tries.set(seq, (tries.get(seq) ?? 0) + 1),
  }
}

export type Aside<E extends AnyEntry> = ReturnType<typeof makeAside<E>>
