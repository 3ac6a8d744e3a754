/**
 * npm run mutate [-- room…] [--all] [--sample 200] [--seed 1] [--minutes 45]: mutation testing of core, by room.
 *
 * A mutant is one small wrong change ("<" for "<=", a branch that is never taken); it is killed when a test that covers
 * the line fails. By default a seeded sample of 200 mutants a room is tried; the rooms whose figures decide a number or
 * a flag have a floor. What changes no result at all is named, with its reason, in tools/mutate/equivalent.json.
 */
import { spawn, spawnSync } from 'node:child_process'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { pathToFileURL } from 'node:url'
import { parseArgs } from 'node:util'
import { hashOf } from './lib/hash.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { fromRoot, ROOT } from './lib/paths.mjs'
import { run, say, stop } from './lib/say.mjs'

const TOOLS = fromRoot('tools/mutate')
const WORK = fromRoot('.data/mutate')
const FLOORS = { model: 85, chart: 85, gaps: 85 }
const rooms = () => readdirSync(fromRoot('core'), { withFileTypes: true }).filter(e => e.isDirectory())

function ensureTools() {
  const marker = join(TOOLS, 'node_modules', '.uzzet-lock')
  const wanted = hashOf('tools/mutate/package-lock.json')
  if (existsSync(marker) && readFileSync(marker, 'utf8') === wanted) return
  const args = ['ci', '--no-audit', '--no-fund', '--legacy-peer-deps', '--loglevel=error']
  const done = spawnSync('npm', args, { cwd: TOOLS, stdio: 'inherit' })
  if (done.status !== 0) stop('The packages of tools/mutate could not be installed: see the lines above.')
  writeFileSync(marker, wanted)
}

/** Numbers from 0 to 1, the same for the same seed (mulberry32, public domain). */
function drawing(seed) {
  let state = seed >>> 0
  return () => {
    state = (state + 0x6d2b79f5) >>> 0
    let t = Math.imul(state ^ (state >>> 15), state | 1)
    t ^= t + Math.imul(t ^ (t >>> 7), t | 61)
    return ((t ^ (t >>> 14)) >>> 0) / 2 ** 32
  }
}

function sourcesOf(room) {
  return readdirSync(fromRoot('core', room), { recursive: true, withFileTypes: true })
    .filter(entry => entry.isFile() && entry.name.endsWith('.ts') && !entry.parentPath.includes('vendor'))
    .map(entry => join(entry.parentPath, entry.name))
}

/** Every mutant of a room, in the order of its files. */
async function mutantsOf(room) {
  const from = join(TOOLS, 'node_modules/@stryker-mutator/instrumenter/dist/src/index.js')
  const { Instrumenter } = await import(pathToFileURL(from).href)
  const silent = () => {}
  const logger = { debug: silent, info: silent, warn: silent, isDebugEnabled: () => false }
  const files = sourcesOf(room).map(name => ({ name, mutate: true, content: readFileSync(name, 'utf8') }))
  const options = { plugins: null, excludedMutations: [], ignorers: [] }
  const { mutants } = await new Instrumenter(logger).instrument(files, options)
  return mutants
}

const rangeOf = ({ fileName, location: { start, end } }) =>
  `${relative(ROOT, fileName)}:${start.line + 1}:${start.column}-${end.line + 1}:${end.column}`

/** Places until they hold so many mutants; a place inside another one comes with it. */
function sample(mutants, most, seed) {
  if (mutants.length <= most) return [...new Set(mutants.map(one => relative(ROOT, one.fileName)))]
  const draw = drawing(seed)
  const order = mutants.map(one => [draw(), one]).sort((a, b) => a[0] - b[0])
  // A block or a whole condition holds other places: only the smallest ones are drawn, so that a sample is a sample.
  const small = order.map(([, one]) => one).filter(({ location: { start, end } }) => end.line - start.line <= 2)
  return [...new Set(small.slice(0, most).map(rangeOf))]
}

async function stryker(room, mutate, endsAtMs) {
  const fates = join(WORK, `${room}.jsonl`)
  const config = join(WORK, `${room}.config.json`)
  rmSync(fates, { force: true })
  writeFileSync(
    config,
    JSON.stringify({
      mutate,
      testRunner: 'vitest',
      vitest: { configFile: 'tools/mutate/vitest.config.ts', related: false },
      plugins: [
        pathToFileURL(join(TOOLS, 'node_modules/@stryker-mutator/vitest-runner/dist/src/index.js')).href,
        pathToFileURL(join(TOOLS, 'reporter.mjs')).href,
      ],
      reporters: ['lines'],
      coverageAnalysis: 'perTest',
      concurrency: 2,
      checkers: [],
      allowConsoleColors: false,
      tempDirName: '.data/mutate/sandbox',
      ignorePatterns: ['.output', '.nuxt', '.data', 'docs', 'app', 'server', 'tests/e2e', 'public'],
      disableTypeChecks: false,
      // A busy machine kills no mutant; one that goes round for ever costs a minute.
      timeoutMS: 60_000,
      dryRunTimeoutMinutes: 20,
    }),
  )
  const child = spawn(
    process.execPath,
    [join(TOOLS, 'node_modules/@stryker-mutator/core/bin/stryker.js'), 'run', config],
    {
      cwd: ROOT,
      stdio: ['ignore', 'pipe', 'pipe'],
      env: { ...process.env, UZZET_MUTANTS: fates },
    },
  )
  const said = []
  for (const stream of [child.stdout, child.stderr]) stream.on('data', chunk => said.push(chunk))
  const late = setTimeout(() => child.kill('SIGTERM'), Math.max(0, endsAtMs - Date.now()))
  const code = await new Promise(done => child.once('close', done))
  clearTimeout(late)
  if (!existsSync(fates)) stop(`${Buffer.concat(said)}\nNo mutant of core/${room} was tried (${code}).`)
  return readFileSync(fates, 'utf8')
    .trim()
    .split('\n')
    .map(line => JSON.parse(line))
}

/** The line that a mutant stands in: what names it, since line numbers move. */
function lineOf({ fileName, location }) {
  return readFileSync(fileName, 'utf8').split('\n')[location.start.line - 1].trim()
}

function isEquivalent(mutant, known) {
  const file = relative(ROOT, mutant.fileName)
  return known.some(one => one.file === file && one.replacement === mutant.replacement && one.line === lineOf(mutant))
}

function report(room, fates, all, seconds) {
  const known = JSON.parse(readFileSync(join(TOOLS, 'equivalent.json'), 'utf8'))
  const counted = fates.filter(one => !['Ignored', 'CompileError', 'RuntimeError'].includes(one.status))
  const judged = counted.filter(one => !isEquivalent(one, known))
  const killed = judged.filter(one => ['Killed', 'Timeout'].includes(one.status))
  const share = judged.length === 0 ? 100 : (100 * killed.length) / judged.length
  for (const one of judged.filter(mutant => !killed.includes(mutant)))
    say(
      `  ${relative(ROOT, one.fileName)}:${one.location.start.line}:${one.location.start.column} ` +
        `${one.mutatorName} ${one.status}\n    ${lineOf(one)}\n    → ${one.replacement.slice(0, 160)}`,
    )
  const counts = `${killed.length} of ${judged.length} killed, ${share.toFixed(0)} %`
  const others = `${counted.length - judged.length} equivalent; ${fates.length} tried of ${all}`
  say(`core/${room}: ${counts}; ${others}, ${seconds.toFixed(0)} s`)
  return share
}

run(async () => {
  const { values, positionals } = parseArgs({
    allowPositionals: true,
    options: {
      all: { type: 'boolean', default: false },
      sample: { type: 'string', default: '200' },
      seed: { type: 'string', default: '1' },
      minutes: { type: 'string', default: '45' },
    },
  })
  const known = rooms().map(({ name }) => name)
  const wanted = positionals.length > 0 ? positionals : known
  const strange = wanted.find(room => !known.includes(room))
  if (strange) stop(`core has no room "${strange}": ${known.join(', ')}.`)
  ensurePackages()
  ensureTools()
  mkdirSync(WORK, { recursive: true })
  const endsAtMs = Date.now() + Number(values.minutes) * 60_000
  for (const room of wanted) {
    if (Date.now() >= endsAtMs) {
      say(`core/${room}: not begun, the time is over (--minutes ${values.minutes}).`)
      continue
    }
    const started = Date.now()
    const mutants = await mutantsOf(room)
    const most = values.all ? Number.POSITIVE_INFINITY : Number(values.sample)
    const fates = await stryker(room, sample(mutants, most, Number(values.seed)), endsAtMs)
    const share = report(room, fates, mutants.length, (Date.now() - started) / 1000)
    if (share < (FLOORS[room] ?? 0)) {
      say(`  under its floor of ${FLOORS[room]} %`)
      process.exitCode = 1
    }
  }
})
