import { isDoor } from '../shared/open-pages'
import { STAGES } from '../shared/stages'
import { claimText, lateText } from '../words/door'

/**
 * What a page opens with before its script is there: the words that stand on it whoever it is for, where the page will
 * put them. The page's own parts take their place; `tests/e2e/first-frame.spec.ts` holds both to the same places.
 */

const WORDMARK = 'uzzet<span class="text-primary">.</span>'

const plain = (page: string) => `
<div class="mx-auto flex min-h-dvh w-full max-w-6xl flex-col px-5 py-8 sm:px-10">${page}</div>`

const door = plain(`
  <div class="grid flex-1 items-center gap-10 max-md:content-start md:grid-cols-2 md:gap-16">
    <section>
      <p class="text-5xl font-extrabold tracking-tight sm:text-6xl">${WORDMARK}</p>
      <p class="mt-5 max-w-md text-xl leading-snug sm:text-2xl">${claimText}</p>
      <div class="mt-8 max-w-md max-md:hidden"><svg viewBox="0 0 400 120" class="w-full"></svg></div>
    </section>
  </div>`)

/** Lines in the place of what comes: a player's card has no words before it is known whose it is. */
const lines = Array.from(
  { length: 8 },
  (_, i) => `
    <div class="mb-4 space-y-2">
      <span class="block h-4 rounded-sm bg-(--hairline)" style="width: ${70 - 8 * ((i + 1) % 3)}%"></span>
      <span class="block h-3 rounded-sm bg-(--hairline) opacity-60" style="width: ${92 - 6 * ((i + 1) % 3)}%"></span>
    </div>`,
).join('')
const card = plain(`<div class="mx-auto w-full max-w-xl"><div class="py-6">${lines}</div></div>`)

const withTopLine = (page: string) => `
<div class="flex min-h-dvh flex-col">
  <div class="flex h-14 items-center gap-1.5 border-b border-(--ink) px-3 sm:gap-3 sm:px-5">
    <span class="-mx-1 flex min-h-11 items-center px-1 text-xl font-extrabold tracking-tight sm:text-2xl"
      >${WORDMARK}</span>
  </div>
  <div class="flex min-h-0 flex-1 flex-col">${page}</div>
</div>`

function stageName({ id, title, short }: (typeof STAGES)[number], current: string): string {
  const mark = id === current ? ' border-primary! bg-elevated' : ''
  return `
<li class="min-w-0 max-md:flex-1">
  <span class="flex min-h-15 flex-col justify-center border-transparent px-1 py-1.5 max-md:justify-start
    max-md:px-0.5 max-md:py-1 max-md:items-center max-md:border-t-4 md:border-l-4 md:px-4${mark}">
    <span class="truncate text-[0.95rem] leading-tight font-bold max-md:max-w-full max-md:text-[0.8rem] md:text-base"
      ><span class="md:hidden">${short}</span><span class="max-md:sr-only">${title}</span></span>
    <span class="soft text-[0.8rem] leading-tight md:mt-0.5 md:min-h-4"></span>
  </span>
</li>`
}

function ofPlayer(stage: string, below: boolean): string {
  const title = below ? undefined : STAGES.find(({ id }) => id === stage)?.title
  const names = STAGES.map(item => stageName(item, stage)).join('')
  return withTopLine(`
<div class="flex min-h-0 flex-1 max-md:flex-col max-md:pb-20">
  <div class="max-md:fixed max-md:inset-x-0 max-md:bottom-0 max-md:z-30 max-md:border-t max-md:border-(--ink)
    max-md:bg-default md:w-49 md:shrink-0 md:border-r md:border-default">
    <ol class="flex md:sticky md:top-14 md:flex-col md:py-2">${names}</ol>
  </div>
  <div class="min-w-0 flex-1">
    <div class="mx-auto w-full max-w-[1100px] px-4 sm:px-6 ${TIGHT.has(stage) ? 'py-3' : 'py-5'}">
      ${title ? `<p class="text-[1.75rem] leading-tight font-bold">${title}</p>` : ''}
    </div>
  </div>
</div>`)
}

const players = withTopLine(`
<div class="mx-auto w-full max-w-[1000px] px-4 py-6"><p class="text-3xl font-bold">Players</p></div>`)

/** Stages with less room above their title. */
const TIGHT: ReadonlySet<string> = new Set(['gaps', 'pick'])
const BEHIND_THE_DOOR: ReadonlySet<string> = new Set(['players', 'ranges', 'academy', 'account', 'flags', 'clinic'])

/**
 * Nobody waits for ever: after some seconds without the page it says what can be done. No link does it: it would lose
 * what stands behind the "#" of an invitation or a card.
 */
const late = `
<p class="comes-late raised pointer-events-auto fixed inset-x-4 bottom-24 mx-auto max-w-md px-4 py-3" role="status">
  ${lateText}
</p>`

const framed = (html: string) => `
<div id="first-frame" class="pointer-events-none absolute inset-x-0 top-0">
  <div aria-hidden="true">${html}</div>
  ${late}
</div>`

/**
 * The frame of an address, as HTML; empty where there is none, as for "/", which is every page's shell without a
 * network. Who has no cookie comes to a door.
 * @example firstFrame('/what-is-kept', false) // => ''
 */
export function firstFrame(path: string, signedIn: boolean): string {
  const [page = '', player, stage, ...below] = path.split('/').filter(Boolean)
  if (path === '/card') return framed(card)
  if (isDoor(path)) return framed(door)
  if (!BEHIND_THE_DOOR.has(page)) return ''
  if (!signedIn) return framed(door)
  if (page !== 'players') return framed(withTopLine(''))
  return framed(player === undefined ? players : ofPlayer(stage ?? '', below.length > 0))
}
