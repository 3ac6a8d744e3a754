import { InvitationLook } from '../../../shared/schemas/academy'
import type { InvitedTo } from '../../../shared/academy'
import { invitedTo } from '../../data/people'
import { hashOfToken } from '../../auth/device'
import { readChecked } from '../../ingest/refuse'
import { beginLook } from '../../limits/look-limit'

/** Where an invitation leads. Asked with the token in the body, so that it stands in no log. */
export default defineEventHandler(async (event): Promise<InvitedTo> => {
  await beginLook(event)
  const { token } = await readChecked(event, InvitationLook)
  return invitedTo(hashOfToken(token))
})
