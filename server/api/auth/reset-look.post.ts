import { ResetToken } from '../../../shared/schemas/academy'
import type { ResetLook } from '../../../shared/academy'
import { resetFor } from '../../data/resets'
import { hashOfToken } from '../../auth/device'
import { readChecked } from '../../ingest/refuse'
import { beginLook } from '../../limits/look-limit'

/** Whose new password it leads to. Asked with the token in the body, so that it stands in no log. */
export default defineEventHandler(async (event): Promise<ResetLook> => {
  await beginLook(event)
  const { token } = await readChecked(event, ResetToken)
  const { name, email, academy } = await resetFor(hashOfToken(token))
  return { name, email, academy }
})
