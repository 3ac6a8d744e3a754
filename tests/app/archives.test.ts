import { strToU8, zipSync } from 'fflate'
import { describe, expect, it } from 'vitest'
import { ArchiveFault, makeAllowance, openArchive } from '../../app/features/players/archives'
import { RECORD_BYTES_MAX } from '../../shared/record-limits'

const json = (value: unknown) => strToU8(JSON.stringify(value))
const record = { player: { name: 'Pip Marlow' }, shots: [{ balls: 1 }, { balls: 9 }, null] }
const ofPlayer = () => zipSync({ 'about.txt': strToU8('…'), 'record.json': json(record) })

/** A zip whose record says 200 bytes in every place where its size stands, and unpacks to 30 MB. */
function saysItIsSmall(): Uint8Array {
  const zip = zipSync({ 'record.json': new Uint8Array(30_000_000).fill(32) })
  const view = new DataView(zip.buffer, zip.byteOffset, zip.byteLength)
  for (let at = 0; at < zip.length - 30; at++) {
    const mark = view.getUint32(at, true)
    if (mark === 0x04034b50) view.setUint32(at + 22, 200, true)
    if (mark === 0x02014b50) view.setUint32(at + 24, 200, true)
  }
  return zip
}
const manyParts = () =>
  zipSync(Object.fromEntries(Array.from({ length: 5000 }, (_, i) => [`photos/${i}.txt`, strToU8('x')])))

const fault = (bytes: Uint8Array) =>
  openArchive('file.zip', bytes).then(
    () => 'opened',
    (error: unknown) => (error instanceof ArchiveFault ? error.message : `not told: ${String(error)}`),
  )

describe('the archive of a player or an academy', () => {
  it('tells who is in it and how many balls, before anything is sent', async () => {
    const { players, academy } = await openArchive('pip.zip', ofPlayer())
    expect([academy, players]).toEqual([null, [{ name: 'Pip Marlow', balls: 10, record }]])
  })

  it('of an academy holds its players’ archives', async () => {
    const file = { name: 'Far Links' }
    const zip = zipSync({ 'academy.json': json(file), 'players/pip.zip': ofPlayer(), 'players/bo.zip': ofPlayer() })
    const { players, academy } = await openArchive('far.zip', zip)
    expect([academy, players.map(({ name }) => name)]).toEqual([
      { name: 'Far Links', file },
      ['Pip Marlow', 'Pip Marlow'],
    ])
  })

  it('is given up where its players together outgrow all bounds, each of them allowed', () => {
    const use = makeAllowance('far.zip', 90_000_000)
    for (const bytes of [40_000_000, 40_000_000, 10_000_000]) use(bytes)
    expect(() => use(1)).toThrow('far.zip has more than 90 MB when unpacked')
  })

  it.each<[string, Uint8Array, RegExp]>([
    ['is no zip', strToU8('a,b\n1,2'), /^file\.zip is no zip file/],
    ['is cut off', ofPlayer().slice(0, 80), /^file\.zip is no zip file/],
    ['holds something else', zipSync({ 'photo.txt': strToU8('x') }), /no record of a player is in it/],
    ['holds a record that is no JSON', zipSync({ 'record.json': strToU8('{') }), /cannot be read: it is damaged/],
    ['holds another record', zipSync({ 'record.json': json({ player: 'x' }) }), /no record of a player is in it/],
    ['grows beyond all bounds', zipSync({ 'record.json': new Uint8Array(RECORD_BYTES_MAX + 1) }), /more than 40 MB/],
    [
      'has a player in it that cannot be read',
      zipSync({ 'academy.json': json({}), 'players/pip.zip': strToU8('x') }),
      /^players\/pip\.zip is no zip file/,
    ],
    ['says that it is small and is not', saysItIsSmall(), /^file\.zip cannot be read: it is damaged/],
    ['has thousands of other parts', manyParts(), /no record of a player is in it/],
  ])('that %s is refused, with its name and why', async (_, bytes, why) => {
    expect(await fault(bytes)).toMatch(why)
  })
})
