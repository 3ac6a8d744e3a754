import type { WholeRecord } from '../files/player-zip'
import type { Coach } from './coaches'
import { practiceOf } from './practice'
import { publishedChartsOf } from './published'
import { playerRecord } from './records'
import { roundsOf } from './rounds'
import { keptWhatIfs } from './what-ifs'

/** Everything that is kept of one player. @throws 404 */
export async function wholeRecord(coach: Coach, playerId: string): Promise<WholeRecord> {
  const record = await playerRecord(coach, playerId)
  const [practice, rounds, published, whatIfs] = await Promise.all([
    practiceOf(coach, playerId),
    roundsOf(coach, playerId),
    publishedChartsOf(playerId),
    keptWhatIfs(coach, playerId),
  ])
  return { record, practice, rounds, published, whatIfs }
}
