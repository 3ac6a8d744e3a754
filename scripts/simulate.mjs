/** npm run simulate: redraws the tables of docs/model.md with simulated players, about an hour. */
import { runTypeScript } from './lib/type-script.mjs'

runTypeScript('tests/bench/simulation/run.ts')
