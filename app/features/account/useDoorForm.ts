import { useFormErrors } from '~/ui/useFormErrors'
import { useAccount } from '~/offline/stores/account'

/** A form at the door: checked, sent, and in; who comes in finds nothing of whoever was here before. */
export function useDoorForm() {
  const account = useAccount()
  const form = useFormErrors()
  const busy = ref(false)

  /** @param send checks and sends; false where what was typed cannot be sent */
  async function enter(send: () => Promise<boolean>): Promise<void> {
    busy.value = true
    try {
      if (!(await send())) return
      await account.forget()
      await navigateTo('/players')
    } catch (error) {
      form.take(error)
    } finally {
      busy.value = false
    }
  }

  return { ...form, busy, enter }
}
