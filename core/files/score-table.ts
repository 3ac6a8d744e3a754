import Papa from 'papaparse'
import { plainText } from './cells'
import type { DrillScore } from '../practice/score'

/** A go with its score, and what its things are called. */
export interface ScoreRowsOf {
  go: string
  drill: string
  name: string
  startedAtMs: number
  score: DrillScore
  club: (clubId: string) => string
  swing: (rungId: string) => string
}

const COLUMNS = [
  'go',
  'started',
  'drill',
  'name',
  'score',
  'ball',
  'time',
  'target_m',
  'asked',
  'club',
  'swing',
  'end_m',
  'side_m',
  'leave_m',
  'good',
  'points',
  'strokes_gained',
  'speed_m_s',
  'called_speed_m_s',
  'curve',
  'call',
  'apart',
] as const

const figure = (value: number | null | undefined, decimals = 4) =>
  value === null || value === undefined ? '' : Number(value.toFixed(decimals))

/** Every ball of every go as CSV (RFC 4180), with the score of its go. Metres, metres a second. */
export function writeScoreTable(goes: readonly ScoreRowsOf[]): string {
  const data = goes.flatMap(({ go, drill, name, startedAtMs, score, club, swing }) =>
    [...score.judged, ...score.apart]
      .sort((a, b) => a.ball.atMs - b.ball.atMs)
      .map(({ ball, task, leaveM, good, points, gained }, i) => [
        go,
        new Date(startedAtMs).toISOString(),
        drill,
        plainText(name),
        figure(score.value),
        i + 1,
        new Date(ball.atMs).toISOString(),
        figure(task.targetM),
        [task.flight, task.curve].filter(Boolean).join(' '),
        ball.clubId ? plainText(club(ball.clubId)) : '',
        ball.rungId ? plainText(swing(ball.rungId)) : '',
        figure(ball.endM),
        figure(ball.sideM),
        figure(leaveM),
        good === null ? '' : good ? 'yes' : 'no',
        points,
        figure(gained),
        figure(ball.speedMs),
        figure(task.speedMs),
        ball.curve ?? '',
        ball.call ?? '',
        ball.apart ?? '',
      ]),
  )
  return `${Papa.unparse({ fields: [...COLUMNS], data }, { newline: '\r\n' })}\r\n`
}
