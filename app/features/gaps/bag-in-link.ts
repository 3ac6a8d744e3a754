import type { WhatIf } from '#core/what-if/thought-of'
import { formSchemas } from '~/ui/form-schemas'

/** A bag that a remedy wrote into an address. @returns null where it cannot be read */
export async function bagInLink(text: string): Promise<WhatIf | null> {
  try {
    const read = (await formSchemas.WhatIfBody()).safeParse(JSON.parse(text))
    return read.success ? read.data : null
  } catch {
    return null
  }
}
