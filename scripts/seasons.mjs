/** npm run seasons: what eight simulated rounds find, and what they tell falsely; some seconds. */
import { runTypeScript } from './lib/type-script.mjs'

runTypeScript('tests/bench/simulation/seasons.ts')
