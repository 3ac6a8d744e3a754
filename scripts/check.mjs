/** npm run check: every foreign key, every count, every chart of the database at DATABASE_URL. */
import { runTypeScript } from './lib/type-script.mjs'

runTypeScript('scripts/check.ts')
