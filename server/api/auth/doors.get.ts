import { mailSettings } from '../../mail'
import { signUpDoor } from '../../auth/sign-up-door'
import { setting } from '../../settings'

/** Which doors the sign-in page shows. */
export default defineEventHandler(async () => ({
  demo: setting('UZZET_DEMO') === '1',
  signUp: await signUpDoor(),
  mail: mailSettings() !== null,
}))
