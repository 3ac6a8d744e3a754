/** npm run notices: writes THIRD-PARTY-NOTICES.md, every package that ships or builds what ships, with its licence. */
import { readFileSync, writeFileSync } from 'node:fs'
import { fromRoot } from './lib/paths.mjs'
import { run, say } from './lib/say.mjs'

run(async () => {
  const { packages } = JSON.parse(readFileSync(fromRoot('package-lock.json'), 'utf8'))
  const lines = Object.entries(packages)
    .filter(([path, { dev, optional }]) => path.startsWith('node_modules/') && !dev && !optional)
    .map(
      ([path, { version, license }]) =>
        `| ${path.split('node_modules/').at(-1)} | ${version} | ${license ?? 'see the package'} |`,
    )
  const text = [
    '# Third-party notices',
    'Made by `npm run notices` from the lock file. Fonts: Overpass, SIL Open Font License 1.1. `core/stats/vendor`:',
    'functions of @stdlib, Apache License 2.0, its licence and notice beside them.',
    '',
    '| Package | Version | Licence |',
    '|---|---|---|',
    ...[...new Set(lines)].sort(),
    '',
  ].join('\n')
  writeFileSync(fromRoot('THIRD-PARTY-NOTICES.md'), text)
  say(`${lines.length} packages.`)
})
