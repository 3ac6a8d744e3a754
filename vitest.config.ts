import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url))
const resolve = { alias: { '#core': at('./core'), '#shared': at('./shared'), '~': at('./app'), '~~': at('.') } }

export default defineConfig({
  test: {
    projects: [
      { resolve, test: { name: 'core', setupFiles: 'tests/seed.ts', include: ['tests/{core,app,project}/**/*.test.ts'], testTimeout: 30_000 } },
      {
        resolve,
        test: { name: 'server', setupFiles: 'tests/seed.ts', include: ['tests/server/**/*.test.ts'], globalSetup: 'tests/server/setup.ts', fileParallelism: false, testTimeout: 30_000, hookTimeout: 120_000 },
      },
    ],
  },
})
