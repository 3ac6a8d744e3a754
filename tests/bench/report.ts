/** Lines of docs/speed.md: each benchmark writes its own part and leaves the others alone. */
import { existsSync, readFileSync, writeFileSync } from 'node:fs'

const PATH = 'docs/speed.md'
const HEAD =
  '# Speed\n\nMeasured with `npm run bench -- --write`. Medians ' +
  'within one run on two shared cores; only the ratios travel.\n'

export const median = (times: readonly number[]) => [...times].sort((a, b) => a - b)[times.length >> 1]!

/** Medians of things done in turn, so that a busy moment of the machine falls on all of them. */
export async function inTurn(rounds: number, ...things: (() => Promise<unknown>)[]): Promise<number[]> {
  const times = things.map(() => [] as number[])
  for (let round = -5; round < rounds; round++) {
    for (const [i, thing] of things.entries()) {
      const start = performance.now()
      await thing()
      if (round >= 0) times[i]!.push(performance.now() - start)
    }
  }
  return times.map(median)
}

export function report(part: string) {
  const lines: string[] = []
  return {
    /** One thing against another: a ratio with its goal. */
    tell(what: string, ours: number, other: string, theirs: number, goal: string) {
      const ratio = (ours / theirs).toFixed(ours < theirs ? 2 : 1)
      lines.push(`| ${what} | ${ours.toFixed(2)} ms | ${other} | ${theirs.toFixed(2)} ms | **${ratio}×** | ${goal} |`)
      process.stdout.write(
        `${what}: ${ours.toFixed(2)} ms, ${other}: ${theirs.toFixed(2)} ms, ratio ${ratio} (goal: ${goal})\n`,
      )
    },
    /** A time with nothing to compare it with. */
    note(what: string, text: string, goal: string) {
      lines.push(`| ${what} | ${text} | | | | ${goal} |`)
      process.stdout.write(`${what}: ${text} (goal: ${goal})\n`)
    },
    /** Writes the part when it was asked for. */
    done() {
      if (!process.argv.includes('--write')) return
      const [from, to] = [`<!-- ${part}: begin -->`, `<!-- ${part}: end -->`]
      const table =
        `${from}\n\nOn ${new Date().toISOString().slice(0, 10)}, Node ` +
        `${process.versions.node}.\n\n| What | Time | Against | Time | Ratio | Goal |\n|---|---|---|---|---|---|\n${lines.join('\n')}\n\n${to}`
      const text = existsSync(PATH) ? readFileSync(PATH, 'utf8') : HEAD
      const at = text.indexOf(from)
      writeFileSync(
        PATH,
        at < 0
          ? `${text.trimEnd()}\n\n${table}\n`
          : text.slice(0, at) + table + text.slice(text.indexOf(to) + to.length),
      )
    },
  }
}
