import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))
/** Ten times what the slowest test takes on a quiet machine, and more: how fast a machine is fails no test. */
const PATIENCE_MS = 300_000
const resolve = {
  alias: { '#core': at('./core'), '#words': at('./words'), '#shared': at('./shared'), '~': at('./app'), '~~': at('.') },
}

export default defineConfig({
  test: {
    // There are two cores, and the server's tests leave most of one.
    maxWorkers: 2,
    projects: [
      {
        resolve,
        test: {
          name: 'core',
          // The core keeps nothing: its modules are read once a worker, not once a file.
          isolate: false,
          setupFiles: 'tests/seed.ts',
          include: ['tests/core/**/*.test.ts'],
          testTimeout: PATIENCE_MS,
        },
      },
      {
        resolve,
        test: {
          name: 'app',
          setupFiles: 'tests/seed.ts',
          include: ['tests/{app,project}/**/*.test.ts'],
          testTimeout: PATIENCE_MS,
        },
      },
      // Minutes: `npm run test:long`.
      {
        resolve,
        test: {
          name: 'long',
          setupFiles: 'tests/seed.ts',
          include: ['tests/long/**/*.test.ts'],
          testTimeout: 10 * PATIENCE_MS,
        },
      },
      {
        resolve,
        test: {
          name: 'server',
          setupFiles: 'tests/seed.ts',
          include: ['tests/server/**/*.test.ts'],
          globalSetup: 'tests/server/setup.ts',
          fileParallelism: false,
          testTimeout: PATIENCE_MS,
          hookTimeout: 2 * PATIENCE_MS,
          expect: { poll: { timeout: 60_000 } },
        },
      },
    ],
  },
})
