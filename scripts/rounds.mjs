/** npm run --silent rounds: what rounds ask for and cost. Needs the packages, but no build, server or database. */
import { openDoor } from './lib/door.mjs'

openDoor('rounds')
