import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { BagFile } from '../../shared/schemas/bag-file'

const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { encoding: 'utf8' })
  .trim()
  .split('\n')
  .filter(file => existsSync(file))
const read = (file: string) => readFileSync(file, 'utf8')

describe('the lock file', () => {
  it('carries no download address', () => {
    expect(read('package-lock.json')).not.toMatch(/"resolved": *"http/)
  })
  it('belongs to exact versions', () => {
    const { dependencies, devDependencies } = JSON.parse(read('package.json')) as Record<string, Record<string, string>>
    for (const version of Object.values({ ...dependencies, ...devDependencies }))
      expect(version).toMatch(/^(npm:[\w@/-]+@)?\d+\.\d+\.\d+$/)
  })
})

describe('types', () => {
  it('a promise that nobody waits for is caught: the one planted in tests/fixtures/planted', () => {
    const args = ['node_modules/oxlint/bin/oxlint', '--type-aware', 'tests/fixtures/planted/forgotten.ts']
    const done = spawnSync(process.execPath, args, { encoding: 'utf8' })
    expect(done.stdout).toContain('no-floating-promises')
    expect(done.status).not.toBe(0)
  })
})

describe('rooms', () => {
  it("a component that is not imported is caught, whoever's it is; the component library's own come by themselves", async () => {
    const text = '<template>\n  <UButton>\n    <GapsCoverTable />\n    <FrameStageWords />\n  </UButton>\n</template>\n'
    const [planted] = await new ESLint({ cwd: process.cwd() }).lintText(text, {
      filePath: 'app/features/chart/Planted.vue',
    })
    const named = planted!.messages
      .filter(({ ruleId }) => ruleId === 'vue/no-undef-components')
      .map(({ message }) => /<(\w+)>/.exec(message)?.[1])
    expect(named).toEqual(['GapsCoverTable', 'FrameStageWords'])
  })

  it('a wrong import across rooms is caught: each of those planted in tests/fixtures/planted', () => {
    const root = process.cwd()
    const done = spawnSync(
      process.execPath,
      [
        `${root}/node_modules/dependency-cruiser/bin/dependency-cruise.mjs`,
        '--config',
        `${root}/.dependency-cruiser.cjs`,
        '--ts-config',
        `${root}/tsconfig.borders.json`,
        '--output-type',
        'err',
        'core',
        'shared',
        'app',
        'server',
      ],
      { cwd: `${root}/tests/fixtures/planted`, encoding: 'utf8' },
    )
    const rules = ['core-stands-alone', 'no-circles-of-rooms', 'shared-knows-core-and-zod', 'app-not-server']
    const inApp = ['pages-wait-for-no-schema', 'app-one-way', 'offline-and-calculation-show-nothing']
    for (const rule of [...rules, ...inApp]) expect(done.stdout).toContain(rule)
    // An import between modules, and one of a component.
    expect(done.stdout.match(/chart-keeps-to-itself/g)).toHaveLength(2)
    expect(done.status).not.toBe(0)
  })
})

describe('the open formats', () => {
  it('docs/uzzet-bag.schema.json is what the program checks (npm run schemas)', () => {
    expect(JSON.parse(read('docs/uzzet-bag.schema.json'))).toEqual(z.toJSONSchema(BagFile, { io: 'input' }))
  })
})

describe('the pages', () => {
  it('put no markup of others into the page', () => {
    for (const file of files.filter(f => f.startsWith('app/'))) expect(read(file), file).not.toMatch(/v-html|innerHTML/)
  })
  it('ask for no address but our own', () => {
    for (const file of files.filter(f => /^(app|server|shared|core)\/.*\.(ts|vue|css)$/.test(f)))
      // Names of vocabularies look like addresses; nobody asks there.
      expect(read(file), file).not.toMatch(/https?:\/\/(?!127\.0\.0\.1|www\.w3\.org\/ns\/csvw|qudt\.org\/schema\/)/)
  })
})
