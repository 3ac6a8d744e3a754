/** npm run --silent drill: what a go at a drill came to. Needs the packages, but no build, server or database. */
import { openDoor } from './lib/door.mjs'

openDoor('drill')
