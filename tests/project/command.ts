import { basename } from 'node:path'
import { buildSync } from 'esbuild'

/**
 * A command of the program made into one file, which starts in a third of the time: the tests start each many times.
 * That npm itself opens a command is tried in `calibrate.test.ts`.
 * @param source the command as it stands, from the root: "scripts/pick.ts"
 * @returns the path of the file, for Node
 */
export function bundled(source: string): string {
  const outfile = `.data/test/commands/${basename(source, '.ts')}.mjs`
  const options = { bundle: true, platform: 'node', format: 'esm', packages: 'external' } as const
  buildSync({ ...options, entryPoints: [source], outfile, tsconfig: 'tsconfig.tools.json', logLevel: 'error' })
  return outfile
}
