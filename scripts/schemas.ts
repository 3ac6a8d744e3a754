/** npm run schemas: writes docs/uzzet-bag.schema.json from the Zod schema that the program checks with. */
import { writeFileSync } from 'node:fs'
import { z } from 'zod'
import { BagFile } from '../shared/schemas/bag-file'

writeFileSync('docs/uzzet-bag.schema.json', `${JSON.stringify(z.toJSONSchema(BagFile, { io: 'input' }), null, 2)}\n`)
