import type { z } from 'zod'
import { errorFor, type FieldError } from '#shared/errors'
import { Refused } from '~/offline/api'

/** A schema is a file of its own; once it was there, it is there without a network too. */
const NOT_FETCHED = 'This could not be checked: there is no network. What you typed stays; try again when there is one.'

/**
 * Errors of one form: those the schema finds here, and those the server sends back, each beside its field.
 * What no field of the form shows stands at the top as `general`.
 */
export function useFormErrors() {
  const errors = ref<FieldError[]>([])
  const general = ref<string>()

  /**
   * Checks what was typed. The schema comes when it is asked for: no page waits for it.
   * @returns the clean value, or null with the errors set
   */
  async function check<T extends z.ZodType>(schema: () => Promise<T>, value: unknown): Promise<z.output<T> | null> {
    general.value = undefined
    const asked = await schema().catch(() => undefined)
    if (!asked) {
      errors.value = []
      general.value = NOT_FETCHED
      return null
    }
    const result = asked.safeParse(value)
    errors.value = result.success
      ? []
      : result.error.issues.map(issue => ({ field: issue.path.join('.'), message: issue.message }))
    return result.success ? result.data : null
  }

  /** Takes a refusal of the server. */
  function take(error: unknown): void {
    errors.value = error instanceof Refused ? error.errors : []
    general.value = (error as Error).message
  }

  function clear(): void {
    errors.value = []
    general.value = undefined
  }

  return { errors, general, check, take, clear, of: (field: string) => errorFor(errors.value, field) }
}
