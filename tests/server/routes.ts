import { aBag, newId, type atTheRange } from './client'
import { playerFile } from './player-file'
import { aGo, aHomework } from './practice-records'

/** Routes that need no coach. Everything else must stand in the table below. */
export const OPEN = [
  '[...].ts',
  'auth/demo.post.ts',
  'auth/doors.get.ts',
  'auth/invitation.post.ts',
  'auth/join.post.ts',
  'auth/lost.post.ts',
  'auth/open-account.post.ts',
  'auth/reset-look.post.ts',
  'auth/reset.post.ts',
  'auth/sign-in.post.ts',
  'auth/sign-out.post.ts',
  'auth/sign-up.post.ts',
  'health.get.ts',
  'metrics.get.ts',
  'openapi.json.get.ts',
]

interface Row {
  route: string
  /** A request that the owner of the player may make. */
  ask: (at: Awaited<ReturnType<typeof atTheRange>>) => [method: string, path: string, body?: unknown]
  /** True when the route names a player: another academy gets 404. */
  ofPlayer: boolean
}

const A_GO = aGo()
const HOMEWORK = aHomework()
const ROUND = {
  id: newId(),
  name: 'Home course',
  kind: 'casual',
  playedAtMs: Date.now() - 86_400_000,
  approaches: [{ id: newId(), chance: true, distanceM: 80, offM: -6, version: 1 }],
  gone: false,
  version: 1,
}
const RANGE = {
  id: newId(),
  name: 'North range',
  altitudeM: 20,
  bearingDeg: null,
  firmness: 'soft',
  targets: [],
  archived: false,
  version: 1,
}
const OWN_BALL = {
  id: newId(),
  clubId: newId(),
  rungId: newId(),
  carryM: 60,
  method: 'laser',
  hitAtMs: Date.now(),
}
const OWN_DRILL = { id: newId(), name: 'Ours', spec: A_GO.spec }

export const ROUTES: Row[] = [
  { route: 'account.get.ts', ofPlayer: false, ask: () => ['GET', '/api/account'] },
  { route: 'account/sign-ins/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/account/sign-ins'] },
  { route: 'account/sign-ins/index.delete.ts', ofPlayer: false, ask: () => ['DELETE', '/api/account/sign-ins'] },
  {
    route: 'account/sign-ins/[signInId].delete.ts',
    ofPlayer: false,
    ask: () => ['DELETE', `/api/account/sign-ins/${newId()}`],
  },
  {
    route: 'academy/people/[personId]/reset.post.ts',
    ofPlayer: false,
    ask: () => ['POST', `/api/academy/people/${newId()}/reset`],
  },
  {
    route: 'academy/people/[personId]/second-factor.delete.ts',
    ofPlayer: false,
    ask: () => ['DELETE', `/api/academy/people/${newId()}/second-factor`],
  },
  { route: 'academy/all.zip.get.ts', ofPlayer: false, ask: () => ['GET', '/api/academy/all.zip'] },
  {
    route: 'academy/bring-in.post.ts',
    ofPlayer: false,
    ask: () => [
      'POST',
      '/api/academy/bring-in',
      { format: 'uzzet-academy', version: 1, name: 'Far Links', thresholds: {}, ranges: [], drills: [] },
    ],
  },
  { route: 'players/bring-in.post.ts', ofPlayer: false, ask: () => ['POST', '/api/players/bring-in', playerFile()] },
  { route: 'account/programs/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/account/programs'] },
  {
    route: 'account/programs/index.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/account/programs', { id: newId(), name: 'Report', scope: 'read' }],
  },
  {
    route: 'account/programs/[programId].delete.ts',
    ofPlayer: false,
    ask: () => ['DELETE', `/api/account/programs/${newId()}`],
  },
  {
    route: 'account/second-factor/confirm.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/account/second-factor/confirm', { code: '000000' }],
  },
  {
    route: 'account/second-factor/index.get.ts',
    ofPlayer: false,
    ask: () => ['GET', '/api/account/second-factor'],
  },
  {
    route: 'account/second-factor/index.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/account/second-factor', { current: 'not the password' }],
  },
  {
    route: 'account/second-factor/off.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/account/second-factor/off', { current: 'not the password' }],
  },
  { route: 'academy/people/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/academy/people'] },
  {
    route: 'academy/people/[personId]/index.patch.ts',
    ofPlayer: false,
    ask: () => ['PATCH', `/api/academy/people/${newId()}`, { role: 'reader' }],
  },
  {
    route: 'academy/invitations/index.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/academy/invitations', { id: newId(), role: 'coach', forWhom: 'Bo' }],
  },
  {
    route: 'academy/invitations/[invitationId].delete.ts',
    ofPlayer: false,
    ask: () => ['DELETE', `/api/academy/invitations/${newId()}`],
  },
  // Its owner is told to archive first: tests/server/people.test.ts erases one.
  {
    route: 'players/[playerId]/erase.post.ts',
    ofPlayer: false,
    ask: at => ['POST', `/api/players/${at.playerId}/erase`],
  },
  { route: 'account.patch.ts', ofPlayer: false, ask: () => ['PATCH', '/api/account', { unit: 'm' }] },
  {
    route: 'academy.patch.ts',
    ofPlayer: false,
    ask: () => ['PATCH', '/api/academy', { thresholds: { staleDays: 40 } }],
  },
  {
    route: 'account/password.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/account/password', { current: 'links and wind', password: 'links and wind' }],
  },
  { route: 'weather.get.ts', ofPlayer: false, ask: () => ['GET', '/api/weather'] },
  { route: 'ingest/shots.post.ts', ofPlayer: false, ask: () => ['POST', '/api/ingest/shots', []] },
  { route: 'devices/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/devices'] },
  {
    route: 'devices/index.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/devices', { id: newId(), name: 'Bay 1' }],
  },
  {
    route: 'devices/[deviceId]/aim.put.ts',
    ofPlayer: false,
    ask: () => ['PUT', `/api/devices/${newId()}/aim`, { at: null, fromMs: Date.now(), sentAtMs: Date.now() }],
  },
  { route: 'devices/balls.get.ts', ofPlayer: false, ask: () => ['GET', '/api/devices/balls'] },
  {
    route: 'devices/balls.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/devices/balls', { ids: [newId()], to: null }],
  },
  { route: 'devices/[deviceId]/index.delete.ts', ofPlayer: false, ask: () => ['DELETE', `/api/devices/${newId()}`] },
  { route: 'ranges/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/ranges'] },
  {
    route: 'ranges/[rangeId]/landings.get.ts',
    ofPlayer: false,
    ask: () => ['GET', `/api/ranges/${newId()}/landings`],
  },
  {
    route: 'ranges/[rangeId]/index.put.ts',
    ofPlayer: false,
    ask: () => ['PUT', `/api/ranges/${RANGE.id}`, { ...RANGE }],
  },
  {
    route: 'ranges/[rangeId]/guesses.get.ts',
    ofPlayer: false,
    ask: () => ['GET', `/api/ranges/${newId()}/guesses?sign=${newId()}`],
  },
  {
    route: 'ranges/[rangeId]/recount.post.ts',
    ofPlayer: false,
    ask: () => ['POST', `/api/ranges/${newId()}/recount`, { signId: newId() }],
  },
  { route: 'players/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/players'] },
  {
    route: 'players/index.post.ts',
    ofPlayer: false,
    ask: () => ['POST', '/api/players', { id: newId(), name: 'New', level: 'good', note: '' }],
  },
  { route: 'players/[playerId]/index.get.ts', ofPlayer: true, ask: at => ['GET', `/api/players/${at.playerId}`] },
  {
    route: 'players/[playerId]/index.patch.ts',
    ofPlayer: true,
    ask: at => ['PATCH', `/api/players/${at.playerId}`, { version: 1, name: 'Taken over' }],
  },
  {
    route: 'players/[playerId]/bag.json.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/bag.json`],
  },
  {
    route: 'players/[playerId]/chart.json.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/chart.json`],
  },
  {
    route: 'players/[playerId]/shots.csv.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/shots.csv`],
  },
  {
    route: 'players/[playerId]/shots.post.ts',
    ofPlayer: true,
    ask: at => ['POST', `/api/players/${at.playerId}/shots`, { shots: [at.shot()] }],
  },
  {
    route: 'players/[playerId]/sessions/[sessionId].put.ts',
    ofPlayer: true,
    ask: at => ['PUT', `/api/players/${at.playerId}/sessions/${at.session.id}`, at.session],
  },
  {
    route: 'players/[playerId]/sessions/[sessionId]/live.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/sessions/${at.session.id}/live`],
  },
  {
    route: 'players/[playerId]/sessions/[sessionId]/move.post.ts',
    ofPlayer: true,
    ask: at => ['POST', `/api/players/${at.playerId}/sessions/${at.session.id}/move`, { toPlayerId: at.playerId }],
  },
  {
    route: 'players/[playerId]/import/index.post.ts',
    ofPlayer: true,
    ask: at => ['POST', `/api/players/${at.playerId}/import`, { sessionIds: [newId()], visible: true }],
  },
  {
    route: 'players/[playerId]/import/lot.post.ts',
    ofPlayer: true,
    ask: at => ['POST', `/api/players/${at.playerId}/import/lot`, { sessions: [], shots: [at.shot()] }],
  },
  {
    route: 'players/[playerId]/words.post.ts',
    ofPlayer: true,
    ask: at => [
      'POST',
      `/api/players/${at.playerId}/words`,
      {
        id: newId(),
        clubId: at.bag.clubs[0]!.id,
        rungId: at.bag.scale.rungs[0]!.id,
        kind: 'written',
        carryM: 70,
        why: '',
        saidAtMs: Date.now(),
        holds: true,
      },
    ],
  },
  {
    route: 'players/[playerId]/bag-steps.post.ts',
    ofPlayer: true,
    ask: at => [
      'POST',
      `/api/players/${at.playerId}/bag-steps`,
      {
        id: newId(),
        step: { kind: 'use', clubId: at.bag.clubs[0]!.id, rungId: at.bag.scale.rungs[0]!.id, used: true },
      },
    ],
  },
  {
    route: 'players/[playerId]/answers.post.ts',
    ofPlayer: true,
    ask: at => [
      'POST',
      `/api/players/${at.playerId}/answers`,
      {
        id: newId(),
        flag: 'thin',
        cells: [],
        fromM: 1,
        toM: 2,
        figure: 3,
        answer: 'accepted',
        untilMs: null,
        note: '',
        saidAtMs: Date.now(),
        holds: true,
      },
    ],
  },
  {
    route: 'players/[playerId]/what-ifs/index.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/what-ifs`],
  },
  {
    route: 'players/[playerId]/what-ifs/index.post.ts',
    ofPlayer: true,
    ask: at => [
      'POST',
      `/api/players/${at.playerId}/what-ifs`,
      {
        id: newId(),
        name: 'One less',
        body: {
          clubs: [{ id: at.bag.clubs[0]!.id, from: at.bag.clubs[0]!.id, label: '56°', loftDeg: 55 }],
          rungs: [at.bag.scale.rungs[0]!.id],
          newRungs: [],
          struckOut: [],
          moved: [],
        },
      },
    ],
  },
  {
    route: 'players/[playerId]/what-ifs/[whatIfId]/page.put.ts',
    ofPlayer: false,
    ask: at => ['PUT', `/api/players/${at.playerId}/what-ifs/${newId()}/page`, { page: null }],
  },
  {
    route: 'players/[playerId]/what-ifs/[whatIfId].delete.ts',
    ofPlayer: true,
    ask: at => ['DELETE', `/api/players/${at.playerId}/what-ifs/${newId()}`],
  },
  {
    route: 'players/[playerId]/published/index.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/published`],
  },
  {
    route: 'players/[playerId]/published/index.post.ts',
    ofPlayer: true,
    ask: at => ['POST', `/api/players/${at.playerId}/published`, { id: newId(), unit: 'yd', note: '' }],
  },
  {
    route: 'players/[playerId]/published/[number]/index.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/published/1`],
  },
  {
    route: 'players/[playerId]/published/[number]/yards.pdf.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/published/1/yards.pdf?from=50&to=60`],
  },
  {
    route: 'players/[playerId]/published/[number]/card.pdf.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/published/1/card.pdf`],
  },
  {
    route: 'players/[playerId]/published/[number]/labels.pdf.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/published/1/labels.pdf`],
  },
  {
    route: 'players/[playerId]/numbers.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/numbers`],
  },
  {
    route: 'players/[playerId]/review.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/review?from=${Date.now() - 1e9}&to=${Date.now()}`],
  },
  {
    route: 'players/[playerId]/review.pdf.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/review.pdf?from=${Date.now() - 1e9}&to=${Date.now()}`],
  },
  {
    route: 'players/[playerId]/compare.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/compare?from=${Date.now() - 1e9}&to=${Date.now()}`],
  },
  {
    route: 'players/[playerId]/compare-with.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/compare-with?other=${at.playerId}`],
  },
  {
    route: 'players/[playerId]/chart-at.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/chart-at?at=${Date.now()}`],
  },
  {
    route: 'players/[playerId]/links/index.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/links`],
  },
  {
    route: 'players/[playerId]/links/index.post.ts',
    ofPlayer: true,
    ask: at => ['POST', `/api/players/${at.playerId}/links`, { id: newId(), strength: 'read' }],
  },
  // Its owner gets 404 too for a link that is not there: tests/server/published.test.ts revokes real ones.
  {
    route: 'players/[playerId]/links/[linkId].delete.ts',
    ofPlayer: false,
    ask: at => ['DELETE', `/api/players/${at.playerId}/links/${newId()}`],
  },
  {
    route: 'players/[playerId]/history.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/history`],
  },
  {
    route: 'players/[playerId]/own-balls/index.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/own-balls`],
  },
  {
    route: 'players/[playerId]/own-balls/index.post.ts',
    ofPlayer: true,
    ask: at => ['POST', `/api/players/${at.playerId}/own-balls`, { ids: [newId()], take: true }],
  },
  {
    route: 'players/[playerId]/practice.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/practice`],
  },
  {
    route: 'players/[playerId]/rounds/index.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/rounds`],
  },
  {
    route: 'players/[playerId]/rounds/[roundId].put.ts',
    ofPlayer: true,
    ask: at => ['PUT', `/api/players/${at.playerId}/rounds/${ROUND.id}`, ROUND],
  },
  {
    route: 'players/[playerId]/all.zip.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/all.zip`],
  },
  {
    route: 'players/[playerId]/scores.csv.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/scores.csv`],
  },
  {
    route: 'players/[playerId]/goes/[goId]/index.put.ts',
    ofPlayer: true,
    ask: at => ['PUT', `/api/players/${at.playerId}/goes/${A_GO.id}`, { ...A_GO }],
  },
  {
    route: 'players/[playerId]/goes/[goId]/sheet.pdf.get.ts',
    ofPlayer: true,
    ask: at => ['GET', `/api/players/${at.playerId}/goes/${A_GO.id}/sheet.pdf`],
  },
  {
    route: 'players/[playerId]/homework/[homeworkId].put.ts',
    ofPlayer: true,
    ask: at => ['PUT', `/api/players/${at.playerId}/homework/${HOMEWORK.id}`, { ...HOMEWORK }],
  },
  {
    route: 'drills/[drillId].put.ts',
    ofPlayer: false,
    ask: () => ['PUT', `/api/drills/${OWN_DRILL.id}`, { ...OWN_DRILL }],
  },
  { route: 'drills/[drillId].delete.ts', ofPlayer: false, ask: () => ['DELETE', `/api/drills/${newId()}`] },
  { route: 'link/goes.post.ts', ofPlayer: false, ask: () => ['POST', '/api/link/goes', { ...A_GO }] },
  { route: 'link/rounds.post.ts', ofPlayer: false, ask: () => ['POST', '/api/link/rounds', { ...ROUND }] },
  { route: 'link/index.get.ts', ofPlayer: false, ask: () => ['GET', '/api/link'] },
  { route: 'link/balls.post.ts', ofPlayer: false, ask: () => ['POST', '/api/link/balls', { balls: [OWN_BALL] }] },
  // Last, since it makes another bag of it.
  {
    route: 'players/[playerId]/bag.put.ts',
    ofPlayer: true,
    ask: at => ['PUT', `/api/players/${at.playerId}/bag`, aBag(2)],
  },
]

/** A route's file as its method and pattern. @example patternOf('players/[playerId]/index.get.ts') */
export function patternOf(file: string): string {
  const [, path, method] = /^(.*?)(?:\/index)?\.(get|post|put|patch|delete)\.ts$/.exec(file)!
  return `${method!.toUpperCase()} /api/${path!.replace(/\[(\w+)\]/g, ':$1')}`
}
