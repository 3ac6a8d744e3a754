import { execFileSync, spawnSync } from 'node:child_process'
import { existsSync, readFileSync } from 'node:fs'
import { describe, expect, it } from 'vitest'
import { z } from 'zod'
import { BagFile } from '../../shared/bag-file'

const files = execFileSync('git', ['ls-files', '--cached', '--others', '--exclude-standard'], { encoding: 'utf8' }).trim().split('\n').filter(file => existsSync(file))
const read = (file: string) => readFileSync(file, 'utf8')

describe('the lock file', () => {
  it('carries no download address', () => {
    expect(read('package-lock.json')).not.toMatch(/"resolved": *"http/)
  })
  it('belongs to exact versions', () => {
    const { dependencies, devDependencies } = JSON.parse(read('package.json')) as Record<string, Record<string, string>>
    for (const version of Object.values({ ...dependencies, ...devDependencies })) expect(version).toMatch(/^\d+\.\d+\.\d+$/)
  })
})

describe('rooms', () => {
  // Components are found by their tag, which the border check of imports does not see.
  const stages = ['bag', 'session', 'chart', 'gaps', 'players']
  const components = files.filter(file => file.startsWith('app/components/') && file.endsWith('.vue'))
  it.each(stages)('the components of %s use no other stage\'s', (stage) => {
    const others = stages.filter(s => s !== stage).map(s => s[0]!.toUpperCase() + s.slice(1))
    for (const file of components.filter(f => f.startsWith(`app/components/${stage}/`))) {
      expect(read(file).split('<template>').slice(1).join(), file).not.toMatch(new RegExp(`<(Lazy)?(${others.join('|')})[A-Z]`))
    }
  })

  it('a wrong import across rooms is caught: each of those planted in tests/fixtures/planted', () => {
    const root = process.cwd()
    const done = spawnSync(process.execPath, [`${root}/node_modules/dependency-cruiser/bin/dependency-cruise.mjs`, '--config', `${root}/.dependency-cruiser.cjs`,
      '--ts-config', `${root}/tsconfig.borders.json`, '--output-type', 'err', 'core', 'shared', 'app', 'server'], { cwd: `${root}/tests/fixtures/planted`, encoding: 'utf8' })
    for (const rule of ['core-stands-alone', 'shared-knows-core-and-zod', 'app-not-server', 'chart-keeps-to-itself']) expect(done.stdout).toContain(rule)
    expect(done.status).not.toBe(0)
  }, 60_000)
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
    for (const file of files.filter(f => /^(app|server|shared|core)\/.*\.(ts|vue|css)$/.test(f))) expect(read(file), file).not.toMatch(/https?:\/\/(?!127\.0\.0\.1)/)
  })
})
