import { cellKey } from '../../core/bag/bag'
import { labelsOf } from '../../core/bag/labels'
import { writeBagFile } from '../../core/files/bag-file'
import { writeRoundTable } from '../../core/files/round-table'
import { writeScoreTable } from '../../core/files/score-table'
import { writeShotTable } from '../../core/files/shot-table'
import { airAt } from '../../core/flight/session-air'
import { remarksAt, type CellRemark } from '../../core/history/coach-remarks'
import { newMemo } from '../../core/memo'
import { scoreOf } from '../../core/practice/score'
import { rungName } from '../../core/swing/scale'
import type { Bag } from '../../core/bag/bag'
import type { Player } from '../../shared/player'
import { ballsOfGo } from '../../shared/practice'
import type { GoRecord } from '../../shared/schemas/practice'
import { approachesOf } from '../../shared/rounds'
import type { RoundRecord } from '../../shared/schemas/rounds'
import type { PlayerRecord } from '../../shared/record'
import { fromColumns } from '../../shared/shot-columns'

/** The player's bag as the open bag file, with what is believed of it. */
export function bagFileText(player: Player, bag: Bag, words: readonly CellRemark[]): string {
  const known = new Set(
    bag.clubs.flatMap(club => bag.scale.rungs.map(rung => cellKey({ clubId: club.id, rungId: rung.id }))),
  )
  const believed = [...remarksAt(words, Infinity).values()].flatMap(({ believed: word }) =>
    word && known.has(cellKey(word))
      ? [
          {
            clubId: word.clubId,
            rungId: word.rungId,
            carryM: word.carryM!,
            ...(word.carryToM && { carryToM: word.carryToM }),
          },
        ]
      : [],
  )
  return `${JSON.stringify(writeBagFile(bag, player.name, player.level, believed), null, 2)}\n`
}

/** The player's shots as the open shot table. */
export function shotTableText({
  player,
  bag,
  sessions,
  shots,
}: Pick<PlayerRecord, 'player' | 'bag' | 'sessions' | 'shots'>): string {
  const names = labelsOf(bag)
  const sessionOf = new Map(sessions.map(session => [session.id, session]))
  const airOf = (sessionId: string, atMs: number) => {
    const { air } = sessionOf.get(sessionId)!
    return air[airAt(air, atMs)] ?? null
  }
  return writeShotTable(
    fromColumns(shots).map(shot => ({
      player: player.name,
      session: shot.sessionId,
      hitAtMs: shot.hitAtMs,
      ...names(shot),
      carryM: shot.carryM,
      method: shot.method,
      balls: shot.balls,
      strike: shot.strike,
      ball: sessionOf.get(shot.sessionId)!.ball,
      leftOut: shot.leftOut,
      asked: shot.taken?.askedRungId ? names({ ...shot, rungId: shot.taken.askedRungId }).swing : null,
      readings: shot.readings,
      taken: shot.taken,
      air: airOf(shot.sessionId, shot.hitAtMs),
    })),
  )
}

/** Rounds as the open table, a row an approach. */
export function roundTableText(bag: Bag, rounds: readonly RoundRecord[]): string {
  const names = labelsOf(bag)
  return writeRoundTable(
    rounds
      .filter(({ gone, waiting }) => !gone && !waiting)
      .map(round => ({
        round: round.id,
        date: new Date(round.playedAtMs).toISOString(),
        rows: approachesOf(round).map(approach => {
          const { clubId, rungId } = approach
          return { approach, ...(clubId && rungId ? names({ clubId, rungId }) : { club: '', swing: '' }) }
        }),
      })),
  )
}

/** Every ball of practice with the score of its go. */
export function scoreTableText(bag: Bag, goes: readonly GoRecord[]): string {
  const clubs = new Map(bag.clubs.map(({ id, label }) => [id, label]))
  const swings = new Map(bag.scale.rungs.map(rung => [rung.id, rungName(rung)]))
  const memo = newMemo()
  return writeScoreTable(
    goes
      .filter(({ gone }) => !gone)
      .map(go => ({
        go: go.id,
        drill: go.spec.drill,
        name: go.name,
        startedAtMs: go.startedAtMs,
        score: scoreOf(go.spec, ballsOfGo(go), memo),
        club: id => clubs.get(id) ?? '',
        swing: id => swings.get(id) ?? '',
      })),
  )
}
