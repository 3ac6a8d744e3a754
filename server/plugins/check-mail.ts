import { mailSettings } from '../mail'

/** A mail server that was set wrongly is told when the server starts, not when somebody has lost a password. */
export default defineNitroPlugin(() => {
  mailSettings()
})
