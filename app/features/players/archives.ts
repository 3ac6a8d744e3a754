import { ACADEMY_NAME, PLAYER_ARCHIVES, RECORD_NAME } from '#shared/archive-names'
import { ARCHIVE_BYTES_MAX, RECORD_BYTES_MAX } from '#shared/record-limits'

/** One player of a file, before anything of it is taken. */
export interface Offered {
  name: string
  /** Balls in the record, deleted ones too. */
  balls: number
  /** As it is sent. */
  record: object
}
export interface OpenedArchive {
  players: Offered[]
  /** What an academy has beside its players; null in the file of one player. */
  academy: { name: string; file: object } | null
}

/** What is wrong with a file, in a sentence. */
export class ArchiveFault extends Error {}

const NOT_OURS =
  'no record of a player is in it. Choose the zip that “Everything as a zip” or the academy’s page makes.'

type Unzip = (bytes: Uint8Array, wanted: (name: string) => boolean) => Record<string, Uint8Array>

/** Counts what is unpacked of one file, all its players together. @throws ArchiveFault beyond `most` bytes */
export function makeAllowance(of: string, most = ARCHIVE_BYTES_MAX): (bytes: number) => void {
  let left = most
  return bytes => {
    left -= bytes
    if (left < 0)
      throw new ArchiveFault(
        `${of} has more than ${most / 1e6} MB when unpacked: bring in its players one by one, from their own files.`,
      )
  }
}

async function unzipper(of: string, use: (bytes: number) => void): Promise<Unzip> {
  const { unzipSync } = await import('fflate')
  return (bytes, wanted) => {
    try {
      return unzipSync(bytes, {
        filter({ name, originalSize }) {
          if (!wanted(name)) return false
          if (originalSize > RECORD_BYTES_MAX)
            throw new ArchiveFault(`${of}: ${name} has more than ${RECORD_BYTES_MAX / 1e6} MB when unpacked.`)
          // No more is unpacked than a part says of itself, so what is said can be counted.
          use(originalSize)
          return true
        },
      })
    } catch (error) {
      if (error instanceof ArchiveFault) throw error
      throw new ArchiveFault(`${of} is no zip file, or it is damaged.`)
    }
  }
}

function parsed(of: string, bytes: Uint8Array): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes))
  } catch {
    throw new ArchiveFault(`${of} cannot be read: it is damaged.`)
  }
}

function offered(of: string, bytes: Uint8Array | undefined): Offered {
  if (!bytes) throw new ArchiveFault(`${of}: ${NOT_OURS}`)
  const record = parsed(of, bytes) as { player?: { name?: unknown }; shots?: unknown } | null
  const name = record?.player?.name
  if (!record || typeof name !== 'string' || !Array.isArray(record.shots)) throw new ArchiveFault(`${of}: ${NOT_OURS}`)
  const shots = record.shots as ({ balls?: unknown } | null)[]
  const balls = shots.reduce((sum, shot) => sum + (Number(shot?.balls) || 0), 0)
  return { name, balls, record }
}

/**
 * What is in the archive of a player or of an academy. Nothing of it is checked but what is shown: the server does.
 * @throws ArchiveFault saying what cannot be read
 */
export async function openArchive(fileName: string, bytes: Uint8Array): Promise<OpenedArchive> {
  const use = makeAllowance(fileName)
  const unzip = await unzipper(fileName, use)
  const parts = unzip(bytes, name => name === RECORD_NAME || name === ACADEMY_NAME || PLAYER_ARCHIVES.test(name))
  const about = parts[ACADEMY_NAME]
  if (!about) return { players: [offered(fileName, parts[RECORD_NAME])], academy: null }
  const file = parsed(fileName, about) as { name?: unknown }
  const players: Offered[] = []
  for (const [name, zip] of Object.entries(parts)) {
    if (!PLAYER_ARCHIVES.test(name)) continue
    const inner = (await unzipper(name, use))(zip, part => part === RECORD_NAME)
    players.push(offered(name, inner[RECORD_NAME]))
  }
  return { players, academy: { name: typeof file.name === 'string' ? file.name : '', file } }
}
