import { fileURLToPath } from 'node:url'
import { defineConfig } from 'vitest/config'

const at = (path: string) => fileURLToPath(new URL(`../../${path}`, import.meta.url))

/** Core's own tests, for mutation testing: without those that play whole players, and those that read the source. */
export default defineConfig({
  root: at('.'),
  // The copy that is mutated has no types of the framework to look up.
  esbuild: { tsconfigRaw: '{}' },
  resolve: { alias: { '#core': at('core'), '#words': at('words'), '#shared': at('shared') } },
  test: {
    setupFiles: 'tests/seed.ts',
    include: ['tests/core/**/*.test.ts'],
    exclude: ['simulation', 'doc-examples', 'units'].map(name => `tests/core/${name}.test.ts`),
    testTimeout: 60_000,
  },
})
