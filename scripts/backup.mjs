/** npm run backup -- --to DIR [--keep-days 30]: the whole database as it is at one moment, while people log. */
import { argument } from './lib/arguments.mjs'
import { backUp } from './lib/backup.mjs'
import { ensurePackages } from './lib/packages.mjs'
import { run, say, stop } from './lib/say.mjs'
import { setting } from './lib/settings.mjs'

run(async () => {
  ensurePackages({ withTools: false })
  const [url, folder, keep] = [setting('DATABASE_URL'), argument('to'), argument('keep-days')]
  if (!url || !folder) stop('DATABASE_URL and --to FOLDER are needed: npm run backup -- --to /var/backups/uzzet')
  const keepDays = keep === undefined ? Infinity : Number(keep)
  if (!(keepDays > 0)) stop(`--keep-days ${keep} is not possible: days above 0.`)
  const { file, tables, dropped } = await backUp(url, folder, keepDays)
  const rows = Object.values(tables).reduce((sum, n) => sum + n, 0)
  const gone = dropped > 0 ? ` ${dropped} old ones are gone.` : ''
  say(`${file}: ${Object.keys(tables).length} tables, ${rows} rows.${gone}`)
})
