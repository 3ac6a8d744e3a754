import type { FieldError } from '../../shared/errors'

/**
 * What a query cannot do, as a plain error: it knows nothing of requests and answers. `error-handler.ts` is the one
 * place that turns it into a status and a sentence.
 */
export abstract class Fault extends Error {
  constructor(
    message: string,
    readonly errors: FieldError[] = [],
    readonly current?: unknown,
  ) {
    super(message)
  }
}

/** Not there, or another academy's: it is the same, so that ids tell nothing. */
export class NotFound extends Fault {
  constructor(what: string) {
    super(`There is no such ${what}.`)
  }
}

/** It was changed elsewhere since it was read, perhaps by the same coach. The newest state goes along. */
export class Stale extends Fault {
  constructor(field: string, message: string, current: unknown) {
    super(message, [{ field, message }], current)
  }
}

/** An id, a number or a turn that somebody else has. */
export class Taken extends Fault {
  constructor(field = 'id', message = 'This id is taken.') {
    super(message, [{ field, message }])
  }
}

/** Well-formed, but it does not go with what is on record. */
export class Unfit extends Fault {}

/** There, and seen, but not this person's to change. */
export class NotAllowed extends Fault {}
