/** One player's page with 100,000 balls in the table against ten million of five thousand players. */
import mysql from 'mysql2/promise'
import { v7 as newId } from 'uuid'
import { BenchCoach, type BenchPlayer } from './coach'
import { PLAYERS_A_PAGE } from '../../shared/pages'
import { median, report } from './report'

const url = process.env.BENCH_URL!
const connection = await mysql.createConnection({ uri: process.env.BENCH_DATABASE_URL!, timezone: 'Z' })
const FEW = 100_000
const MANY = Number(process.env.BENCH_ROWS ?? 10_000_000)
/** All in one academy, whose list is asked for too. */
const OTHERS = 5000
/** Of each of the players who are looked at. */
const OWN_BALLS = 1000
const LOOKED_AT = 12
/** Others hit between any two balls of one player: in time, and so in the table, everybody's balls are mixed. */
const YEARS_MS = 75 * 86_400_000
const LOT = 250_000

const coach = await BenchCoach.signedUp(url, 'Growth')
const own: BenchPlayer[] = []
for (let i = 0; i < LOOKED_AT; i++)
  own.push(await coach.player(OWN_BALLS, { secondsApart: 30, name: `Player ${String(i).padStart(2, '0')}` }))

/** Ids of others: players, and the one session, club and swing length of all their balls. */
const player = (n: string) => `concat('00000000-0000-4000-9000-', lpad(hex(${n}), 12, '0'))`
const NOBODYS = "'00000000-0000-4000-b000-000000000000'"

/** Others' rows are written past the server, which would take hours; nothing of them is looked at. */
await connection.query('set foreign_key_checks = 0, unique_checks = 0')
const large = await BenchCoach.signedUp(url, 'Large')
await connection.query(
  `insert into players (id, academy_id, name, thresholds)
    select ${player('seq')}, (select academy_id from coaches where email = ?), concat('Other ', seq), '{}'
    from seq_0_to_${OTHERS - 1}`,
  [large.email],
)

/** Fills the table with others' balls, evenly over the months in which the players were at the range. */
async function fill(rows: number): Promise<void> {
  await connection.query(`delete from shots where session_id = ${NOBODYS}`)
  const fromMs = Date.now() - YEARS_MS
  const stepMs = YEARS_MS / rows
  for (let from = 0; from < rows; from += LOT) {
    const to = Math.min(rows, from + LOT) - 1
    await connection.query(
      `insert into shots (id, player_id, session_id, club_id, rung_id, carry_m, method, hit_at)
        select concat(substr(h, 1, 8), '-', substr(h, 9, 4), '-7', lpad(hex(seq mod 4096), 3, '0'),
            '-8000-', lpad(hex(seq), 12, '0')),
          ${player(`seq mod ${OTHERS}`)}, ${NOBODYS}, ${NOBODYS}, ${NOBODYS}, 80 + seq mod 40, 'monitor',
          from_unixtime(ms / 1000)
        from (select seq, floor(? + seq * ?) as ms, lower(lpad(hex(floor(? + seq * ?)), 12, '0')) as h
          from seq_${from}_to_${to}) as hit`,
      [fromMs, stepMs, fromMs, stepMs],
    )
    process.stdout.write(`\r${(to + 1).toLocaleString('en-GB')} balls of others`)
  }
  process.stdout.write('\n')
  await connection.query('analyze table shots')
}

async function times(count: number, thing: (i: number) => Promise<unknown>): Promise<number> {
  const all: number[] = []
  for (let i = 0; i < count; i++) {
    const start = performance.now()
    await thing(i)
    all.push(performance.now() - start)
  }
  return median(all)
}

const open = (i: number) => coach.send('GET', `/api/players/${own[i % LOOKED_AT]!.id}`)
const log = (i: number) => {
  const { id, shot } = own[i % LOOKED_AT]!
  return coach.send('POST', `/api/players/${id}/shots`, { shots: [{ ...shot(i), id: newId() }] })
}
/** The list as it stands: summaries are worked out once, before anything is measured. */
const list = () => coach.send('GET', '/api/players')

/** Page by page, as the browser asks for it. */
async function wholeList(): Promise<void> {
  let page: { id: string }[]
  let after = ''
  let players = 0
  do {
    page = JSON.parse(await large.send('GET', `/api/players${after}`)) as { id: string }[]
    players += page.length
    after = `?after=${page.at(-1)?.id}`
  } while (page.length === PLAYERS_A_PAGE)
  if (players !== OTHERS) throw new Error(`the list has ${players} players of ${OTHERS}`)
}

async function look() {
  const first = await times(LOOKED_AT, open)
  const again = await times(5 * LOOKED_AT, open)
  const logged = await times(200, log)
  const listed = await times(40, list)
  // A count is kept once the newest ball is a minute old.
  await new Promise(done => setTimeout(done, 62_000))
  const counted = await times(1, wholeList)
  const page = await times(10, () => large.send('GET', '/api/players'))
  const whole = await times(3, wholeList)
  return { first, again, logged, listed, counted, page, whole }
}

for (let i = 0; i < 5; i++) await list()
await fill(FEW)
await look()
const few = await look()
await fill(MANY)
const many = await look()
const [[size]] = (await connection.query(
  `select data_length as data, index_length as idx from information_schema.tables
    where table_schema = database() and table_name = 'shots'`,
)) as unknown as [[{ data: number; idx: number }]]

const against = `${FEW.toLocaleString('en-GB')} in the table`
const { tell, note, done } = report('growth')
tell(
  `The record of a player with ${OWN_BALLS.toLocaleString('en-GB')} balls, ` +
    `${MANY.toLocaleString('en-GB')} in the table: first time`,
  many.first,
  against,
  few.first,
  'about 1×',
)
tell('The same again', many.again, against, few.again, 'about 1×')
tell('Logging one ball', many.logged, against, few.logged, 'about 1×')
tell(`The list of ${LOOKED_AT} players`, many.listed, against, few.listed, 'about 1×')
tell(
  `A page of ${PLAYERS_A_PAGE} of the list of ${OTHERS.toLocaleString('en-GB')}`,
  many.page,
  against,
  few.page,
  'about 1×',
)
tell('All of its pages, one after the other', many.whole, against, few.whole, 'about 1×')
tell('The same where every ball has to be counted, as after an upgrade', many.counted, against, few.counted, '')
note(
  'Size of the table and of its indexes',
  `${(size.data / 1e9).toFixed(1)} and ${(size.idx / 1e9).toFixed(1)} GB`,
  '',
)
await connection.end()
done()
