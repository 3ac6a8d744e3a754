import { mailSettings } from '../../mail'
import { setting } from '../../settings'

/** Which doors the sign-in page shows. */
export default defineEventHandler(() => ({
  demo: setting('UZZET_DEMO') === '1',
  signUp: setting('UZZET_SIGN_UP') !== 'closed',
  mail: mailSettings() !== null,
}))
