/**
 * npm run vendor: writes core/stats/vendor anew, the few functions of @stdlib that the core's last figures rest on,
 * with their licence. The packages are 226, and a newcomer needs none of them: they are installed here alone.
 */
import { spawnSync } from 'node:child_process'
import { copyFileSync, mkdirSync, readdirSync, rmSync, writeFileSync } from 'node:fs'
import { build } from 'esbuild'
import { fromRoot } from './lib/paths.mjs'
import { run, say, stop } from './lib/say.mjs'

const TOOLS = fromRoot('tools/vendor')
/** What each file exports, and where it goes: what only tests hold figures against stays with the tests. */
const SETS = [
  {
    to: 'core/stats/vendor',
    functions: {
      asin: 'math-base-special-asin',
      atan2: 'math-base-special-atan2',
      betainc: 'math-base-special-betainc',
      cos: 'math-base-special-cos',
      exp: 'math-base-special-exp',
      gammainc: 'math-base-special-gammainc',
      ln: 'math-base-special-ln',
      pow: 'math-base-special-pow',
      sin: 'math-base-special-sin',
    },
  },
  { to: 'tests/vendor', functions: { 't-quantile': 'stats-base-dists-t-quantile' } },
]

/** Parameters of each function, all numbers. */
const PARAMETERS = {
  'asin': ['x'],
  'atan2': ['y', 'x'],
  'betainc': ['x', 'a', 'b'],
  'cos': ['x'],
  'exp': ['x'],
  'gammainc': ['x', 's'],
  'ln': ['x'],
  'pow': ['base', 'exponent'],
  'sin': ['x'],
  't-quantile': ['p', 'degrees'],
}

/**
 * Whether generators can be written is asked there by `eval`, which the policy of our pages refuses and some browsers
 * report. Every engine that can read the rest of the program has them. (ECMAScript 2015.)
 */
const WITHOUT_EVAL = {
  name: 'without-eval',
  setup(building) {
    building.onLoad({ filter: /assert-has-generator-support[\\/]lib[\\/]main\.js$/ }, () => ({
      contents: 'module.exports = () => true',
      loader: 'js',
    }))
  },
}

function declare(name) {
  const parameters = PARAMETERS[name].map(one => `${one}: number`).join(', ')
  return `declare function value(${parameters}): number\nexport default value\n`
}

run(async () => {
  const done = spawnSync('npm', ['ci', '--no-audit', '--no-fund', '--loglevel=error'], { cwd: TOOLS, stdio: 'inherit' })
  if (done.status !== 0) stop('The packages of tools/vendor could not be installed: see the lines above.')
  for (const { to, functions } of SETS) {
    const folder = fromRoot(to)
    rmSync(folder, { recursive: true, force: true })
    mkdirSync(folder, { recursive: true })
    await build({
      absWorkingDir: TOOLS,
      entryPoints: Object.entries(functions).map(([name, pkg]) => ({ in: `@stdlib/${pkg}`, out: name })),
      outdir: folder,
      bundle: true,
      splitting: true,
      chunkNames: 'shared/[hash]',
      format: 'esm',
      platform: 'neutral',
      mainFields: ['browser', 'main'],
      target: 'es2022',
      // Names and blanks may go; figures are left as they were written.
      minifyWhitespace: true,
      legalComments: 'none',
      charset: 'utf8',
      plugins: [WITHOUT_EVAL],
    })
    for (const name of Object.keys(functions)) writeFileSync(fromRoot(to, `${name}.d.ts`), declare(name))
    for (const file of ['LICENSE', 'NOTICE']) {
      copyFileSync(fromRoot(TOOLS, 'node_modules/@stdlib/math-base-special-exp', file), fromRoot(to, file))
    }
    say(`${to}: ${readdirSync(folder).join(', ')}`)
  }
})
