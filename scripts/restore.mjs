/** npm run restore -- --from FILE or DIR: a backup into an empty database; of a folder the newest. */
import { argument } from './lib/arguments.mjs'
import { backupAt, restore } from './lib/backup.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { run, say, stop } from './lib/say.mjs'
import { setting } from './lib/settings.mjs'

run(async () => {
  ensurePackages({ withTools: false })
  const [url, from] = [setting('DATABASE_URL'), argument('from')]
  if (!url || !from)
    stop('DATABASE_URL and --from FILE or FOLDER are needed: npm run restore -- --from /var/backups/uzzet')
  const file = backupAt(from)
  const { counts, erased } = await restore(url, file)
  const rows = Object.values(counts).reduce((sum, n) => sum + n, 0)
  if (erased > 0) say(`${erased} of its players were erased since: they are gone again.`)
  say(`${file} is back: ${rows} rows, counted. "npm run check" looks at all of it; "npm start" brings it up to date.`)
})
