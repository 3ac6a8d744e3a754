import { Readable } from 'node:stream'
import { strToU8, Zip, ZipDeflate, ZipPassThrough } from 'fflate'
import { ACADEMY_NAME } from '../../shared/archive-names'
import type { AcademyFile } from '../../shared/schemas/player-file'

const ABOUT = `Everything that is kept of an academy.

academy.json    its name, what players are judged by, ranges, and drills of its own
players/        one archive a player: each says itself what is in it

People who work here, their passwords and what they are signed in at are not part of it.
`

/** @returns an academy's archive as it is made (ISO/IEC 21320-1) */
export function academyZip(
  academy: AcademyFile,
  players: AsyncIterable<{ name: string; bytes: Uint8Array }>,
): Readable {
  const made: Uint8Array[] = []
  const archive = new Zip((error, chunk) => {
    if (error) throw error
    made.push(chunk)
  })
  const put = (file: ZipPassThrough | ZipDeflate, bytes: Uint8Array) => {
    archive.add(file)
    file.push(bytes, true)
  }
  async function* pieces() {
    put(new ZipDeflate('about.txt'), strToU8(ABOUT))
    put(new ZipDeflate(ACADEMY_NAME), strToU8(`${JSON.stringify(academy, null, 2)}\n`))
    for await (const { name, bytes } of players) {
      // Packed already.
      put(new ZipPassThrough(`players/${name}.zip`), bytes)
      yield* made.splice(0)
    }
    archive.end()
    yield* made.splice(0)
  }
  return Readable.from(pieces())
}
