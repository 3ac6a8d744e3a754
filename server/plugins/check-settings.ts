import { mailSettings } from '../mail'
import { chosenDoor } from '../auth/sign-up-door'

/** What was set wrongly is told when the server starts, not when somebody has lost a password or wants to come in. */
export default defineNitroPlugin(() => {
  mailSettings()
  chosenDoor()
})
