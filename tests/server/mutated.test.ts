import { describe, expect, inject, it } from 'vitest'
import { fuzzFiles } from '../chaos/files'
import { fuzzRequests } from '../chaos/requests'

/** Some hundred of what `npm run chaos` sends by the thousand. */
const SEED = Number(process.env.UZZET_SEED ?? 20_261_128)

describe('what nobody would send', () => {
  it('is answered in words, never with a failure, and what was taken of it breaks nothing', async () => {
    const { failed, broken, requests } = await fuzzRequests(inject('url'), 600, SEED)
    expect(requests).toBe(600)
    expect(failed).toEqual([])
    expect(broken).toEqual([])
  })

  it('in files is read or refused in words; what is planned of it is what the door takes', async () => {
    const { crashed, notTaken, read, refused } = await fuzzFiles(300, SEED)
    expect(crashed).toEqual([])
    expect(notTaken).toEqual([])
    expect(Math.min(read, refused)).toBeGreaterThan(20)
  })
})
