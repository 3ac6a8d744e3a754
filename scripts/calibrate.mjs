/** npm run --silent calibrate: the headless door. Needs the packages, but no build, server or database. */
import { openDoor } from './lib/door.mjs'

openDoor('calibrate')
