import type { SignUpDoor } from '../../shared/account'
import { isAnybodyHere } from '../data/coaches'
import { mailSettings } from '../mail'
import { setting } from '../settings'

const DOORS: Record<string, SignUpDoor> = { open: 'at once', mail: 'by mail', closed: 'closed' }

/**
 * How a new account is opened here, by UZZET_SIGN_UP. Where nothing is said: by mail, if mail can be sent, so that
 * nobody learns who has an account; else the first one at once, and then no more.
 * @throws Error for another word, or for mail where none can be sent
 */
export async function signUpDoor(): Promise<SignUpDoor> {
  const chosen = chosenDoor()
  if (chosen) return chosen
  if (mailSettings()) return 'by mail'
  return (await isAnybodyHere()) ? 'closed' : 'at once'
}

/** @throws Error that names what is not possible, when the server starts */
export function chosenDoor(): SignUpDoor | undefined {
  const word = setting('UZZET_SIGN_UP')
  if (word === undefined) return undefined
  const door = DOORS[word]
  if (!door) throw new Error(`UZZET_SIGN_UP "${word}" is not possible: open, mail or closed.`)
  if (door === 'by mail' && !mailSettings()) throw new Error('UZZET_SIGN_UP=mail needs UZZET_MAIL.')
  return door
}
