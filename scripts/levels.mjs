/** npm run levels: what each level scores at the drills, and how soon a change is told; half a minute. */
import { runTypeScript } from './lib/type-script.mjs'

runTypeScript('tests/bench/simulation/practice.ts')
