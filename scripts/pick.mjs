/** npm run --silent pick: what to hit for a distance. Needs the packages, but no build, server or database. */
import { openDoor } from './lib/door.mjs'

openDoor('pick')
