import { createCipheriv, createDecipheriv, hkdfSync, randomBytes } from 'node:crypto'
import { setting } from '../settings'

const ALGORITHM = 'aes-256-gcm'
const IV_BYTES = 12
const TAG_BYTES = 16

/** What is sealed for one purpose opens for no other. */
type Purpose = 'second factor' | 'sign-up'

/** A key of its own, made of the installation's secret: what seals cookies seals nothing else. */
function key(purpose: Purpose): Buffer {
  const secret = setting('NUXT_SESSION_PASSWORD')
  if (!secret) throw new Error('NUXT_SESSION_PASSWORD is not set.')
  return Buffer.from(hkdfSync('sha256', secret, '', purpose, 32))
}

/** What has to be read again and may not lie open (AES-256-GCM). */
export function seal(text: string, purpose: Purpose): string {
  const iv = randomBytes(IV_BYTES)
  const cipher = createCipheriv(ALGORITHM, key(purpose), iv)
  const sealed = Buffer.concat([cipher.update(text, 'utf8'), cipher.final()])
  return Buffer.concat([iv, cipher.getAuthTag(), sealed]).toString('base64url')
}

/** @returns null for what another secret sealed, or somebody changed */
export function unseal(sealed: string, purpose: Purpose): string | null {
  const bytes = Buffer.from(sealed, 'base64url')
  try {
    const decipher = createDecipheriv(ALGORITHM, key(purpose), bytes.subarray(0, IV_BYTES))
    decipher.setAuthTag(bytes.subarray(IV_BYTES, IV_BYTES + TAG_BYTES))
    return Buffer.concat([decipher.update(bytes.subarray(IV_BYTES + TAG_BYTES)), decipher.final()]).toString('utf8')
  } catch {
    return null
  }
}
