/**
 * Redraws the tables of docs/model.md with players on seeds that nobody tuned on, prints them, and writes them there.
 */
import { readFileSync, writeFileSync } from 'node:fs'
import { yardsToMetres } from '../../../core/units'
import { judgePlayers, rmse, share, type Tally } from './errors'
import { LEVELS, type SimulatedLevel } from './player'
import { judgeOdd } from './odd-judge'
import type { Oddness, OddOptions } from './odd-players'
import { race } from './rounds'
import { watchLonger, type LongerFault, type LongerWatched } from './longer'
import { FAULT_WORDS, lookOnce, watchAll, watchLoose, type Fault, type WatchOptions } from './all-flags'
import { watchOneJob, type OneJobWatched } from './one-job'
import { callMove, KINDS, watchChart } from './statements'
import { median } from './usual'

const SIZE = Number(process.env.UZZET_SIM_SIZE ?? 1)
const [A, B, C, D, M, E, F, G, H, L, J, K, N] = [
  2_026_000, 2_127_000, 2_228_000, 2_332_000, 2_433_000, 2_736_000, 2_841_000, 2_943_000, 3_045_000, 3_146_000,
  3_247_000, 5_600_000, 3_348_000,
]
const many = (n: number) => Math.max(4, Math.round(n * SIZE))
const lines: string[] = []
const say = (text: string) => {
  lines.push(text)
  process.stdout.write(`${text}\n`)
}
const row = (name: string, values: readonly (string | number)[]) => say(`| ${name} | ${values.join(' | ')} |`)
const head = (name: string, columns: readonly string[]) => {
  row(name, columns)
  say(`|${'---|'.repeat(columns.length + 1)}`)
}

function errors(): void {
  const players = many(400)
  say(
    `\n### (a) Stock carry, root mean square error in yards; ` +
      `${players} players, half of the cells never hit, seeds ${A} up\n`,
  )
  const tallies = [1, 3, 5, 10].map(balls => judgePlayers(A, players, balls))
  const line = (name: string, what: string) =>
    row(
      name,
      tallies.map(t => rmse(t, what).toFixed(1)),
    )
  head('balls a hit cell', ['1', '3', '5', '10'])
  line('hit: mean', 'hit: mean')
  line('hit: mean without the longest and the shortest', 'hit: trimmed')
  line('hit: median', 'hit: median')
  line('**hit: model**', 'hit: model')
  line('unhit between two hit clubs: straight line in loft', 'between: usual')
  line('**the same cells: model**', 'between: model')
  line('unhit where a line can be drawn at all: usual', 'line: usual')
  line('**the same cells: model**', 'line: model')
  line('all unhit: model', 'unhit: model')
}

function coverage(): void {
  const players = many(300)
  say(
    `\n### (b) How often the truth lies inside the 80 % / 95 % ` +
      `interval, in 100; ${players} players a row, seeds ${B} up\n`,
  )
  const cell = (t: Tally, state: string) =>
    `${share(t, `${state}: 80`).toFixed(1)} / ${share(t, `${state}: 95`).toFixed(1)}`
  head('', [
    'hit, 1 ball',
    'hit, 3',
    'hit, 10',
    'unhit, 1',
    'unhit, 3',
    'unhit, 10',
    'next clean ball in its window, 3',
  ])
  const rows: [string, Parameters<typeof judgePlayers>[3]][] = [
    ['all, level stated', { levelSaid: true }],
    ['all, level unknown', {}],
    ...(Object.keys(LEVELS) as SimulatedLevel[]).flatMap((level): [string, Parameters<typeof judgePlayers>[3]][] => [
      [`${level}, stated`, { level, levelSaid: true }],
      [`${level}, unknown`, { level }],
    ]),
    ['three clubs', { clubs: 3 }],
    ['quirks doubled (stress)', { quirks: 2 }],
    ['another law of carries', { straight: true }],
    ['another law, quirks doubled', { straight: true, quirks: 2 }],
  ]
  for (const [name, options] of rows) {
    const [one, three, ten] = [1, 3, 10].map(balls => judgePlayers(B, players, balls, options))
    row(name, [
      cell(one!, 'hit'),
      cell(three!, 'hit'),
      cell(ten!, 'hit'),
      cell(one!, 'unhit'),
      cell(three!, 'unhit'),
      cell(ten!, 'unhit'),
      share(three!, 'window').toFixed(1),
    ])
  }
}

/** Of players who mishit more: the share learnt, and the same model told the true one. */
function mishits(): void {
  const players = many(200)
  say(
    `\n### (b2) Players who mishit often; half of the cells hit, ${players} players a row, seeds ${F} up: the 80 % ` +
      'interval of hit cells in 100, half its width and the error in yards\n',
  )
  head('mishits, balls a hit cell', [
    'interval, share learnt',
    'interval, share told',
    'half width, learnt',
    'half width, told',
    'error, learnt',
    'error, told',
    'error of the median',
  ])
  for (const percent of [6, 15, 25, 35])
    for (const balls of [3, 5, 10]) {
      const [learnt, told] = [false, true].map(mishitsTold =>
        judgePlayers(F, players, balls, { mishits: percent / 100, mishitsTold }),
      ) as [Tally, Tally]
      const both = (of: (t: Tally) => string) => [of(learnt), of(told)]
      row(`${percent} %, ${balls}`, [
        ...both(t => share(t, 'hit: 80').toFixed(1)),
        ...both(t => rmse(t, 'hit: width').toFixed(2)),
        ...both(t => rmse(t, 'hit: model').toFixed(2)),
        rmse(learnt, 'hit: median').toFixed(2),
      ])
    }
}

/** Of players whose form varies more or less than the model takes it to. */
function forms(): void {
  const players = many(200)
  say(
    `\n### (b3) Form from day to day, which the model takes to be 1.2 % for everybody; half of the cells hit, ${players} ` +
      `players a row, seeds ${H} up: the 80 % interval of hit cells in 100 and the error in yards\n`,
  )
  head('form, visits', ['3 balls a cell', '10 balls a cell'])
  for (const percent of [0, 1.2, 2])
    for (const visits of [1, 3]) {
      const cells = [3, 10].map(balls => {
        const t = judgePlayers(H, players, balls, { levelSaid: true, visits, formSd: percent / 100 })
        return `${share(t, 'hit: 80').toFixed(1)}, ${rmse(t, 'hit: model').toFixed(2)} yd`
      })
      row(`${percent} %, ${visits}`, cells)
    }
}

/** Players some of whose stock shots obey no rule: what a coach sees at a glance. */
function oddOnes(): void {
  const players = many(250)
  say(
    `\n### (b4) Stock shots that obey no rule, 25 to 60 % off what the others say, of twelve; 3 to 7 balls in seven of ` +
      `ten, 7 % mishits; ${players} players a row, seeds ${N} up. Beyond: the number lies over a yard outside the span ` +
      'of its clean balls, three or more, or a pile of five\n',
  )
  head('', [
    'numbers beyond their balls',
    'interval of hit cells, in 100',
    'of unhit ones',
    'of the odd ones',
    'error of the odd ones, yards',
    'explanations carried, a player',
  ])
  const rows: [string, Oddness, OddOptions][] = [
    ['none', 'usual', {}],
    ['one', 'one', {}],
    ['one, with one ball', 'one', { ballsOfOdd: 1 }],
    ['one, with two balls', 'one', { ballsOfOdd: 2 }],
    ['three', 'three', {}],
    ['every shortest swing', 'halves', {}],
    ['every one, from 20 to 130 yd', 'anywhere', {}],
    ['none, three in ten as piles', 'usual', { piles: 0.3 }],
    ['three, three in ten as piles', 'three', { piles: 0.3 }],
    ['every one, three in ten as piles', 'anywhere', { piles: 0.3 }],
  ]
  for (const [name, oddness, options] of rows) {
    const t = judgeOdd(N, players, oddness, options)
    const inHundred = (part: number, whole: number) => (whole === 0 ? '–' : ((100 * part) / whole).toFixed(1))
    row(name, [
      `${t.beyond} of ${t.numbers}`,
      inHundred(t.held, t.hit),
      inHundred(t.unhitHeld, t.unhit),
      inHundred(t.oddHeld, t.odd),
      t.odd === 0 ? '–' : Math.sqrt(t.oddSquares / t.odd).toFixed(1),
      (t.explanations / t.players).toFixed(1),
    ])
  }
}

function rounds(): void {
  const players = many(40)
  const most = 240
  say(
    `\n### (c) Balls until eight tenths of the cells are truly within ± 3 yd, ` +
      `medians; ${players} players a row, at most ${most} balls, seeds ${C} up\n`,
  )
  head('', [
    'usual round, trimmed mean',
    'model, same round',
    'model, hit this next',
    "the model's own stop: balls",
    'true at that stop, in 100',
    'model over usual',
  ])
  for (const level of Object.keys(LEVELS) as SimulatedLevel[]) {
    const races = Array.from({ length: players }, (_, i) => race(C + i, level, most))
    const mid = (of: (r: (typeof races)[0]) => number) => median(races.map(of))
    const stopped = races.filter(r => r.stopBalls < most)
    row(level, [
      mid(r => r.usual),
      mid(r => r.round),
      mid(r => r.next),
      mid(r => r.stopBalls),
      stopped.length === 0 ? '–' : ((100 * stopped.filter(r => r.stopTrue).length) / stopped.length).toFixed(0),
      (mid(r => r.round) / mid(r => r.usual)).toFixed(2),
    ])
  }
}

function statements(): void {
  const charts = many(400)
  say(
    `\n### (d) Charts in 100 that ever said something false, 60 balls, ` +
      `looked at after every ball; ${charts} charts, seeds ${D} up\n`,
  )
  const watched = Array.from({ length: charts }, (_, i) => watchChart(D + i, 60))
  head('', [...KINDS, 'any of them'])
  const of = (test: (w: (typeof watched)[0]) => boolean) => ((100 * watched.filter(test).length) / charts).toFixed(1)
  row('false at least once', [...KINDS.map(kind => of(w => w.falseKinds.has(kind))), of(w => w.falseKinds.size > 0)])
  const sum = (key: 'sure' | 'sureFalse' | 'likely' | 'likelyFalse' | 'trueGaps') =>
    watched.reduce((total, w) => total + w[key], 0) / charts
  say(
    `\nGaps a chart after the last ball: ${sum('trueGaps').toFixed(1)} true; *sure* names ` +
      `${sum('sure').toFixed(2)} (${sum('sureFalse').toFixed(3)} false), *likely* ${sum('likely').toFixed(2)} (${((100 * sum('likelyFalse')) / Math.max(1e-9, sum('likely'))).toFixed(1)} in 100 false).\n`,
  )
  const hole = (key: keyof (typeof watched)[0]['holes']) =>
    watched.reduce((total, w) => total + w.holes[key], 0) / charts
  say(
    `Holes (stretches of yards) a chart after the last ball: *sure* names ${hole('sure').toFixed(2)} ` +
      `(${hole('sureFalse').toFixed(3)} false); ${hole('trueYards').toFixed(1)} yards a chart truly are in one. ` +
      `A stretch is false when less than half of it is one.\n`,
  )
  const players = many(60)
  say(
    `A true move of 8 yd in one published cell, 20 balls in it ` +
      `over four visits; ${players} players a row, seeds ${M} up:\n`,
  )
  head('', ['called, in 100', 'balls in that cell until then, median'])
  for (const level of Object.keys(LEVELS) as SimulatedLevel[]) {
    const calls = Array.from({ length: players }, (_, i) => callMove(M + i, level))
    const called = calls.filter((c): c is number => c !== null)
    row(level, [((100 * called.length) / players).toFixed(0), called.length === 0 ? '–' : median(called)])
  }
}

/** Nobody hits more of one stock shot before doing something about it. */
const MOST_IN_ONE = 80

function everyRule(): void {
  const charts = many(240)
  say(
    `\n### (e) Every rule that can be sure, through the whole program: charts in 100 that ever said ` +
      `something false for sure; 75 balls of a month before and 60 since, looked at after each of these; ${charts} charts, seeds ${E} up\n`,
  )
  const watched = Array.from({ length: charts }, (_, i) => watchAll(E + i, 60))
  const rules = [...new Set(watched.flatMap(w => [...w.falseRules.keys()]))].sort()
  const of = (test: (w: (typeof watched)[0]) => boolean) => ((100 * watched.filter(test).length) / charts).toFixed(1)
  head('', [...rules, 'any rule'])
  row('false at least once', [...rules.map(rule => of(w => w.falseRules.has(rule))), of(w => w.falseRules.size > 0)])
  say(
    '\nRules that are not named were never wrong. A belief, a bias or a width counts as false only ' +
      'where it is not so by the truth of that player; more than half of a sure hole must truly be one.\n',
  )
  const faulty = many(40)
  say(`Made wrong on purpose, how often it is said for sure within those 60 balls; ${faulty} charts a row:\n`)
  head('', ['listed, in 100', 'balls until then, median', 'said for sure, in 100', 'balls until then, median'])
  for (const [fault, what] of Object.entries(FAULT_WORDS) as [Fault, string][]) {
    const all = Array.from({ length: faulty }, (_, i) => watchAll(E + 1000 + i, 60, fault))
    const told = (of: 'listedAfter' | 'foundAfter') => {
      const after = all.map(one => one[of]).filter((balls): balls is number => balls !== null)
      return [((100 * after.length) / faulty).toFixed(0), after.length === 0 ? '–' : median(after)]
    }
    row(what, [...told('listedAfter'), ...told('foundAfter')])
  }
  const loose = Array.from({ length: faulty }, (_, i) => watchLoose(E + 1000 + i, MOST_IN_ONE))
  const found = loose.flatMap(({ foundWith }) => foundWith ?? [])
  const listed = loose.flatMap(({ listedWith }) => listedWith ?? [])
  say(
    `\nThe loose stock shot is *weak* only where it is the best of a stretch; else it costs nothing there and is said ` +
      `as *loose*. Hit alone after that, it is listed as one of them for ${listed.length} of ${faulty}, with ` +
      `${median(listed)} balls in it (median), and said for sure for ${found.length}, with ${median(found)}; up to ` +
      `${MOST_IN_ONE} balls.`,
  )
  say(
    '\nFlyers by the carry alone, as here, pass for scatter; it is ' +
      'the launch that tells them (`tests/core/readings.test.ts`).',
  )
}

/** What several swing lengths tell of two clubs, added up. */
function oneJob(): void {
  const players = many(40)
  say(
    `\n### (d2) Two clubs so far apart with every swing length, up to 120 balls round all of them: said to carry the same ` +
      `for sure; ${players} players a row, seeds ${J} up\n`,
  )
  head('', ['by any one length, in 100', 'balls in all, median', 'by all lengths together, in 100', 'balls, median'])
  for (const yards of [0, 2, 4.5, 6]) {
    const all = Array.from({ length: players }, (_, i) => watchOneJob(J + i, yardsToMetres(yards)))
    const told = (of: keyof OneJobWatched) => {
      const after = all.flatMap(one => one[of] ?? [])
      return [((100 * after.length) / players).toFixed(0), after.length === 0 ? '–' : median(after)]
    }
    row(yards > 4 ? `${yards} yd, which is not the same` : `${yards} yd`, [...told('anyPair'), ...told('together')])
  }
}

/** Clubs longer than the grid's, each by its own balls. */
function longerClubs(): void {
  const charts = many(100)
  const balls = 45
  say(
    `\n### (f) Three clubs longer than 33°, ${balls} balls with each, looked at after every three: *wide* of one of them; ` +
      `${charts} charts a row, seeds ${L} up\n`,
  )
  head('balls of one club lie', [
    'listed, in 100',
    'balls with it until then, median',
    'said for sure, in 100',
    'balls, median',
    'ever something false listed, in 100',
    'for sure',
  ])
  const rows: [string, LongerFault?][] = [
    ['as usual'],
    ['1.6 times as far apart in length', { along: 1.6, across: 1 }],
    ['1.6 times as far to the sides', { along: 1, across: 1.6 }],
    ['1.6 times both ways', { along: 1.6, across: 1.6 }],
    ['twice as far both ways', { along: 2, across: 2 }],
  ]
  for (const [what, fault] of rows) {
    const all = Array.from({ length: charts }, (_, i) => watchLonger(L + i, balls, fault))
    const share = (of: (one: LongerWatched) => boolean) => ((100 * all.filter(of).length) / charts).toFixed(0)
    const told = (of: 'listedWith' | 'foundWith') => {
      const after = all.flatMap(one => one[of] ?? [])
      return [share(one => one[of] !== null), after.length === 0 ? '–' : median(after)]
    }
    row(what, [
      ...told('listedWith'),
      ...told('foundWith'),
      share(one => one.falselyListed),
      share(one => one.falselySure),
    ])
  }
}

const OTHER_PLAYERS: [string, WatchOptions][] = [
  ['usual', {}],
  ['4 % to the left', { bias: -0.04 }],
  ['15 % mishits', { mishits: 0.15 }],
  ['25 % mishits', { mishits: 0.25 }],
  ['the same share of every carry', { law: 'share' }],
  ['the same yards at every carry', { law: 'yards' }],
  ['beginners', { level: 'beginner' }],
  ['quirks doubled', { quirks: 2 }],
]

/** The same flags on players that nothing was chosen on: other biases, mishits, laws of scatter and quirks. */
function otherPlayers(): void {
  const charts = many(60)
  say(
    `\n### (e2) Other players: charts in 100 with something false for sure, at any of 60 looks; and of what is listed ` +
      `as likely after the last ball, how much is false; ${charts} charts a row, seeds ${G} up\n`,
  )
  head('', ['any rule', 'by rule', 'likely, a chart', 'likely, false in 100', 'by rule, false of said'])
  for (const [name, options] of OTHER_PLAYERS) {
    const all = Array.from({ length: charts }, (_, i) => watchAll(G + i, 60, undefined, options))
    const rules = [...new Set(all.flatMap(one => [...one.falseRules.keys()]))].sort()
    const share = (test: (one: (typeof all)[0]) => boolean) => ((100 * all.filter(test).length) / charts).toFixed(0)
    const likely = [...new Set(all.flatMap(one => [...one.likely.keys()]))].sort().map(rule => {
      const counts = all.map(one => one.likely.get(rule) ?? { said: 0, false: 0 })
      return {
        rule,
        said: counts.reduce((sum, one) => sum + one.said, 0),
        false: counts.reduce((sum, one) => sum + one.false, 0),
      }
    })
    const said = likely.reduce((sum, one) => sum + one.said, 0)
    const wrong = likely.reduce((sum, one) => sum + one.false, 0)
    row(name, [
      share(one => one.falseRules.size > 0),
      rules.map(rule => `${rule} ${share(one => one.falseRules.has(rule))}`).join(', ') || '–',
      (said / charts).toFixed(1),
      said === 0 ? '–' : ((100 * wrong) / said).toFixed(0),
      likely.map(one => `${one.rule} ${one.false}/${one.said}`).join(', ') || '–',
    ])
  }
}

/** What is listed as likely, rule by rule, on many charts of all those players: looked at once, after the last ball. */
function likelyOnce(): void {
  const charts = many(150)
  say(
    `\n### (e3) What is listed as likely after 60 balls, on ${charts} charts of each of the eight kinds of players of ` +
      `(e2), seeds ${K} up; nobody's numbers have moved there, so *moved* is always false\n`,
  )
  head('', ['listed', 'of these false', 'false in 100', 'charts in 100 with one', 'with a false one'])
  const all = OTHER_PLAYERS.flatMap(([, options]) =>
    Array.from({ length: charts }, (_, i) => lookOnce(K + i, 60, options)),
  )
  for (const rule of [...new Set(all.flatMap(one => [...one.keys()]))].sort()) {
    const counts = all.flatMap(one => one.get(rule) ?? [])
    const [listed, wrong] = counts.reduce(([a, b], one) => [a + one.said, b + one.false], [0, 0])
    const inCharts = (some: typeof counts) => ((100 * some.length) / all.length).toFixed(1)
    row(rule, [
      listed,
      wrong,
      ((100 * wrong) / listed).toFixed(0),
      inCharts(counts),
      inCharts(counts.filter(one => one.false > 0)),
    ])
  }
}

const parts = {
  a: errors,
  b: coverage,
  b2: mishits,
  b3: forms,
  b4: oddOnes,
  c: rounds,
  d: statements,
  d2: oneJob,
  e: everyRule,
  e2: otherPlayers,
  e3: likelyOnce,
  f: longerClubs,
}
const wanted = process.argv.slice(2).filter(arg => arg in parts) as (keyof typeof parts)[]
const started = performance.now()
for (const part of wanted.length > 0 ? wanted : (Object.keys(parts) as (keyof typeof parts)[])) parts[part]()
process.stdout.write(`\n${((performance.now() - started) / 1000).toFixed(0)} s\n`)

const [FROM, TO] = ['<!-- simulation: begin -->', '<!-- simulation: end -->']
if (SIZE === 1 && wanted.length === 0) {
  const path = 'docs/model.md'
  const text = readFileSync(path, 'utf8')
  if (!text.includes(FROM) || !text.includes(TO))
    throw new Error(`${path} has no place for the tables: ${FROM} … ${TO}`)
  const day = new Date().toISOString().slice(0, 10)
  writeFileSync(
    path,
    `${text.slice(0, text.indexOf(FROM) + FROM.length)}\n\nDrawn on ${day} by ` +
      `\`npm run simulate\`.\n${lines.join('\n')}\n\n${text.slice(text.indexOf(TO))}`,
  )
}
