import type { z } from 'zod'
import * as academy from '../../shared/schemas/academy'
import * as account from '../../shared/schemas/account'
import { BagChange, BagStepRecord } from '../../shared/schemas/bag'
import { CellRemarkRecord } from '../../shared/schemas/cell-remark'
import { DeviceAim, DeviceBallsDecision, NewDevice, SentShots } from '../../shared/schemas/device'
import { FlagAnswerRecord } from '../../shared/schemas/flag-answer'
import { HandOver } from '../../shared/schemas/handed-bag'
import { NewPlayer, PlayerChange, PlayersQuery } from '../../shared/schemas/player'
import { AcademyFile, PlayerFile } from '../../shared/schemas/player-file'
import { NewLink, OwnBallDecision, OwnBalls } from '../../shared/schemas/player-link'
import { GoRecord, HomeworkRecord, OwnDrill } from '../../shared/schemas/practice'
import { LabelQuery, PrintQuery, SheetQuery, YardsQuery } from '../../shared/schemas/print-query'
import { NewProgram } from '../../shared/schemas/program'
import { NewPublished, PublishedChartRecord } from '../../shared/schemas/published'
import { RangeRecord, SignRecount } from '../../shared/schemas/range'
import { ReviewQuery } from '../../shared/schemas/review'
import { RoundRecord } from '../../shared/schemas/rounds'
import { ImportDecision, ImportLot, SessionMove, SessionRecord, ShotBatch } from '../../shared/schemas/session'
import { NewWhatIf } from '../../shared/schemas/what-if'

/** What comes back beside JSON, and what a browser is told that it is. */
export const FORMS = {
  csv: 'text/csv',
  pdf: 'application/pdf',
  zip: 'application/zip',
  lines: 'text/event-stream',
  text: 'text/plain',
} as const

/** What a route does, as whoever writes a program reads it. */
export interface RouteNote {
  does: string
  body?: z.ZodType
  query?: z.ZodType
  /** When all went well; 200 where nothing is said. */
  status?: 201 | 202 | 204
  gives?: keyof typeof FORMS
  /** What every answer of it is held to in the tests; missing where only our own pages read it. */
  answer?: z.ZodType
}

const PLAYER = '/api/players/:playerId'
const CHART = `${PLAYER}/published/:number`

/** Every route of the server, by method and pattern. A test keeps it complete. */
export const ROUTE_NOTES: Readonly<Record<string, RouteNote>> = {
  'GET /api/health': { does: 'Version, database and migrations: 200 when all is well, else 503.' },
  'GET /api/metrics': { does: 'Figures for a collector; its own token opens it.', gives: 'text' },
  'GET /api/openapi.json': { does: 'This description.' },
  'GET /api/weather': { does: 'The newest METAR line of the weather station of this installation; null without one.' },

  'GET /api/auth/doors': { does: 'Which doors the sign-in page shows.' },
  'POST /api/auth/demo': { does: 'Enters as the coach of the demo; exists in the demo alone.' },
  'POST /api/auth/sign-in': {
    does: 'Signs in with e-mail, password, and a code where one is asked for.',
    body: account.SignIn,
  },
  'POST /api/auth/sign-up': {
    does:
      'A new coach with an academy: at once (201), or by an address that is mailed (202), where the answer is the ' +
      'same for an address that has an account.',
    body: account.SignUp,
    status: 201,
  },
  'POST /api/auth/open-account': {
    does: 'Opens the account that a mailed address carries.',
    body: account.OpenAccount,
    status: 201,
  },
  'POST /api/auth/sign-out': { does: 'Ends this sign-in on the server too.' },
  'POST /api/auth/invitation': { does: 'Where an invitation leads.', body: academy.InvitationLook },
  'POST /api/auth/join': { does: 'Comes into an academy by an invitation.', body: academy.Join, status: 201 },
  'POST /api/auth/lost': { does: 'Asks for a way to a new password by mail.', body: academy.LostPassword, status: 202 },
  'POST /api/auth/reset-look': { does: 'Whose new password an address leads to.', body: academy.ResetToken },
  'POST /api/auth/reset': { does: 'A new password by such an address.', body: academy.Reset },

  'GET /api/account': { does: 'Who is signed in, and what they chose.' },
  'PATCH /api/account': { does: 'Units, pace, habits and marks.', body: account.AccountChange },
  'POST /api/account/password': { does: 'A new password; other sign-ins end.', body: account.PasswordChange },
  'GET /api/account/sign-ins': { does: 'Where this person is signed in.' },
  'DELETE /api/account/sign-ins': { does: 'Signs out everywhere but here.' },
  'DELETE /api/account/sign-ins/:signInId': { does: 'Signs out there.' },
  'GET /api/account/second-factor': { does: 'Whether signing in asks for a code too.' },
  'POST /api/account/second-factor': { does: 'A second step to set up.', body: account.OwnPassword, status: 201 },
  'POST /api/account/second-factor/confirm': {
    does: 'Its first figures: from now on it is asked for.',
    body: account.FactorCode,
  },
  'POST /api/account/second-factor/off': { does: 'The password alone is enough again.', body: account.OwnPassword },
  'GET /api/account/programs': { does: 'Keys of programs that work in this coach’s name.' },
  'POST /api/account/programs': { does: 'A key for a program, shown this once.', body: NewProgram, status: 201 },
  'DELETE /api/account/programs/:programId': { does: 'Revokes a key.' },

  'PATCH /api/academy': {
    does: 'What all players are judged by, and what an owner chooses.',
    body: account.AcademyChange,
  },
  'GET /api/academy/all.zip': { does: 'The whole academy as one file.', gives: 'zip' },
  'POST /api/academy/bring-in': { does: 'Ranges, drills and figures of another academy’s file.', body: AcademyFile },
  'GET /api/academy/people': { does: 'Who works here, and who is invited.' },
  'PATCH /api/academy/people/:personId': { does: 'Another role; leaving and coming back.', body: academy.PersonChange },
  'POST /api/academy/people/:personId/reset': { does: 'A way to a new password for somebody.', status: 201 },
  'DELETE /api/academy/people/:personId/second-factor': { does: 'Takes the second step off for who lost the phone.' },
  'POST /api/academy/invitations': {
    does: 'An invitation, its token shown this once.',
    body: academy.NewInvitation,
    status: 201,
  },
  'DELETE /api/academy/invitations/:invitationId': { does: 'Takes an invitation back.' },

  'GET /api/devices': { does: 'Devices that may send balls.' },
  'POST /api/devices': { does: 'A device, its token shown this once.', body: NewDevice, status: 201 },
  'GET /api/devices/balls': { does: 'Balls of devices that found nobody their coach sees.' },
  'POST /api/devices/balls': { does: 'Gives such balls to a player, or to nobody.', body: DeviceBallsDecision },
  'DELETE /api/devices/:deviceId': { does: 'Revokes a device; what it sent stays.' },
  'PUT /api/devices/:deviceId/aim': { does: 'What the device’s next balls are for.', body: DeviceAim },
  'POST /api/ingest/shots': {
    does: 'Balls of a device, by its token, into the session that listens.',
    body: SentShots,
    status: 202,
  },

  'GET /api/link': { does: 'What a player’s phone shows, by the link’s token.' },
  'POST /api/link/balls': {
    does: 'Balls that the player logged; they wait for the coach.',
    body: OwnBalls,
    status: 202,
  },
  'POST /api/link/goes': { does: 'A go of homework from the player’s phone.', body: GoRecord },
  'POST /api/link/rounds': {
    does: 'A round from the player’s phone; it waits for the coach.',
    body: RoundRecord,
    status: 202,
  },

  'GET /api/ranges': { does: 'The academy’s ranges.', answer: RangeRecord.array() },
  'PUT /api/ranges/:rangeId': { does: 'A range with its signs and targets.', body: RangeRecord, answer: RangeRecord },
  'GET /api/ranges/:rangeId/guesses': { does: 'How many guesses a sign’s new distance would move (?sign=).' },
  'POST /api/ranges/:rangeId/recount': { does: 'Counts guesses against a sign anew.', body: SignRecount },
  'GET /api/ranges/:rangeId/landings': { does: 'Where the balls of the newest sessions pitched.' },
  'PUT /api/drills/:drillId': { does: 'A drill of the academy’s own.', body: OwnDrill },
  'DELETE /api/drills/:drillId': { does: 'Lets a drill go.', status: 204 },

  'GET /api/players': {
    does:
      'The players that the coach sees, by name, with what the list tells of each: 250 a page, and in the head ' +
      'Link where the next one begins.',
    query: PlayersQuery,
  },
  'POST /api/players': { does: 'A new player, under an id that the sender makes.', body: NewPlayer, status: 201 },
  'POST /api/players/bring-in': {
    does: 'A player’s whole record from another academy’s file.',
    body: PlayerFile,
    status: 201,
  },
  [`GET ${PLAYER}`]: { does: 'Player, bag, sessions, remarks, and the balls column by column.' },
  [`PATCH ${PLAYER}`]: { does: 'Changes a player; 409 with the newest where another was quicker.', body: PlayerChange },
  [`POST ${PLAYER}/erase`]: { does: 'Erases an archived player for good.' },
  [`GET ${PLAYER}/all.zip`]: { does: 'Everything that is kept of a player.', gives: 'zip' },
  [`GET ${PLAYER}/history`]: { does: 'Who changed what, newest first (?before= goes on).' },
  [`GET ${PLAYER}/numbers`]: { does: 'What our own page works out of the record, for its first visit.' },
  [`GET ${PLAYER}/bag.json`]: { does: 'The open bag file.' },
  [`PUT ${PLAYER}/bag`]: { does: 'The whole bag, all or nothing.', body: BagChange },
  [`POST ${PLAYER}/bag-steps`]: {
    does: 'One change of the bag, on top of whatever it is by now.',
    body: BagStepRecord,
    status: 202,
  },
  [`PUT ${PLAYER}/sessions/:sessionId`]: {
    does: 'A range session; version n + 1 replaces version n.',
    body: SessionRecord,
  },
  [`GET ${PLAYER}/sessions/:sessionId/live`]: { does: 'Balls of this session as they come.', gives: 'lines' },
  [`POST ${PLAYER}/sessions/:sessionId/move`]: { does: 'Gives a session to another player.', body: SessionMove },
  [`POST ${PLAYER}/shots`]: {
    does: 'Balls, new and changed, all or nothing; sent twice they are there once.',
    body: ShotBatch,
    status: 202,
  },
  [`GET ${PLAYER}/shots.csv`]: { does: 'The open shot table.', gives: 'csv' },
  [`POST ${PLAYER}/import/lot`]: {
    does: 'A lot of an import, hidden until all are there.',
    body: ImportLot,
    status: 202,
  },
  [`POST ${PLAYER}/import`]: { does: 'Shows an import, or takes it back.', body: ImportDecision },
  [`GET ${PLAYER}/chart.json`]: { does: 'The open chart file: carries, ladder, flags, and what to hit next.' },
  [`GET ${PLAYER}/chart-at`]: { does: 'The chart as it stood at the end of a past moment (?at= in milliseconds).' },
  [`GET ${PLAYER}/compare`]: { does: 'What moved between two days, or published charts ("number:3") (?from=&to=).' },
  [`GET ${PLAYER}/compare-with`]: { does: 'Stock shots that two players both have (?other=).' },
  [`POST ${PLAYER}/words`]: {
    does: 'A number believed or written, or a note of a stock shot.',
    body: CellRemarkRecord,
    status: 202,
  },
  [`POST ${PLAYER}/answers`]: { does: 'What the coach says to a flag.', body: FlagAnswerRecord, status: 202 },
  [`GET ${PLAYER}/what-ifs`]: { does: 'Bags that were only thought of, as they were kept.' },
  [`POST ${PLAYER}/what-ifs`]: { does: 'Keeps such a bag.', body: NewWhatIf, status: 201 },
  [`PUT ${PLAYER}/what-ifs/:whatIfId/page`]: { does: 'Hands it to the player, or takes it back.', body: HandOver },
  [`DELETE ${PLAYER}/what-ifs/:whatIfId`]: { does: 'Lets it go.' },
  [`GET ${PLAYER}/published`]: { does: 'Published charts, a line each.' },
  [`POST ${PLAYER}/published`]: {
    does: 'Publishes the chart as it stands.',
    body: NewPublished,
    status: 201,
    answer: PublishedChartRecord,
  },
  [`GET ${CHART}`]: { does: 'One published chart.', answer: PublishedChartRecord },
  [`GET ${CHART}/card.pdf`]: { does: 'The card for the pocket.', query: PrintQuery, gives: 'pdf' },
  [`GET ${CHART}/labels.pdf`]: { does: 'Labels for the shafts.', query: LabelQuery, gives: 'pdf' },
  [`GET ${CHART}/yards.pdf`]: { does: 'What to hit from where.', query: YardsQuery, gives: 'pdf' },
  [`GET ${PLAYER}/links`]: { does: 'Private addresses for the player’s phone.' },
  [`POST ${PLAYER}/links`]: { does: 'Such an address, its token shown this once.', body: NewLink, status: 201 },
  [`DELETE ${PLAYER}/links/:linkId`]: { does: 'Revokes it.' },
  [`GET ${PLAYER}/own-balls`]: { does: 'Balls of the player’s own that wait.' },
  [`POST ${PLAYER}/own-balls`]: { does: 'Whether they count.', body: OwnBallDecision },
  [`GET ${PLAYER}/practice`]: { does: 'Goes, homework, and the academy’s own drills.' },
  [`PUT ${PLAYER}/goes/:goId`]: { does: 'A go at a drill; balls of all devices are put together.', body: GoRecord },
  [`GET ${PLAYER}/goes/:goId/sheet.pdf`]: { does: 'A blank sheet for a go.', query: SheetQuery, gives: 'pdf' },
  [`PUT ${PLAYER}/homework/:homeworkId`]: { does: 'Homework, set, changed or taken back.', body: HomeworkRecord },
  [`GET ${PLAYER}/scores.csv`]: { does: 'Every ball of practice with its score.', gives: 'csv' },
  [`GET ${PLAYER}/rounds`]: { does: 'Rounds, newest first.' },
  [`PUT ${PLAYER}/rounds/:roundId`]: {
    does: 'A round; approaches of all devices are put together.',
    body: RoundRecord,
  },
  [`GET ${PLAYER}/review`]: { does: 'A player over a period, in words.', query: ReviewQuery },
  [`GET ${PLAYER}/review.pdf`]: { does: 'The same on a page.', query: ReviewQuery, gives: 'pdf' },
}
