/** What is wrong with one field of what was sent. `field` is its path: "clubs.2.loftDeg", or "body". */
export interface FieldError {
  field: string
  message: string
}

/** The body of every refusal: a sentence for a person, and the fields for the form. */
export interface Refusal {
  message: string
  errors: FieldError[]
}

/** The sentence beside one field, if it has one. */
export function errorFor(errors: readonly FieldError[], field: string): string | undefined {
  return errors.find(e => e.field === field)?.message
}
