import { fuzzFiles } from './files'
import { startMachines } from './machines'
import { fuzzRequests } from './requests'
import { storm } from './storm'

/**
 * What `npm run chaos` does: a storm over two tablets, mutated requests, mutated files. Counts what it finds, and
 * fails by it.
 */
function option(name: string, usual: number): number {
  const at = process.argv.indexOf(`--${name}`)
  return at < 0 ? usual : Number(process.argv[at + 1])
}
const seed = option('seed', Number(process.env.UZZET_SEED ?? 20_261_128))
const [steps, requests, files] = [option('steps', 120), option('requests', 20_000), option('files', 3000)]
const say = (text: string) => process.stdout.write(`${text}\n`)
const ms = (value: number) => `${value.toFixed(0)} ms`

say(`Seed ${seed}.`)
let bad = 0
const machines = await startMachines()
try {
  if (steps > 0) {
    const from = Date.now()
    const { acknowledged, lost, doubled, strange, events, refusedShown } = await storm(
      machines,
      steps,
      seed,
      process.argv.includes('--verbose') ? say : undefined,
    )
    say(
      `\nStorm of ${steps} events, ${((Date.now() - from) / 1000).toFixed(0)} s: ${Object.entries(events)
        .map(([name, n]) => `${name} ${n}`)
        .join(', ')}`,
    )
    say(
      `  acknowledged ${acknowledged}, lost ${lost.length}, doubled ` +
        `${doubled.length}, nobody's ${strange.length}, refused ${refusedShown}`,
    )
    for (const [what, list] of Object.entries({ lost, doubled, strange }))
      if (list.length > 0) say(`  ${what}: ${list.join(', ')}`)
    bad += lost.length + doubled.length + strange.length + refusedShown
  }
  if (requests > 0) {
    const { byStatus, failed, broken, slowestMs, slowest } = await fuzzRequests(machines.serverUrl, requests, seed)
    say(
      `\n${requests} mutated requests: ${Object.entries(byStatus)
        .map(([status, n]) => `${status} × ${n}`)
        .join(', ')}`,
    )
    say(`  slowest ${ms(slowestMs)}: ${slowest.slice(0, 160)}`)
    for (const line of [...failed.slice(0, 20), ...broken.slice(0, 20)]) say(`  ${line}`)
    bad += failed.length + broken.length
  }
} finally {
  await machines.stop()
}
if (files > 0) {
  const { read, refused, crashed, notTaken, slowestMs, slowest } = await fuzzFiles(files, seed)
  say(
    `\n${files} mutated files: ${read} read, ${refused} refused in words, ` +
      `${crashed.length} crashed, ${notTaken.length} planned but not to be taken`,
  )
  say(`  slowest ${ms(slowestMs)}: ${slowest}`)
  for (const line of [...crashed.slice(0, 10), ...notTaken.slice(0, 10)]) say(`  ${line}`)
  bad += crashed.length + notTaken.length
}
say(bad === 0 ? '\nNothing was lost, doubled or broken.' : `\n${bad} found.`)
process.exitCode = bad === 0 ? 0 : 1
