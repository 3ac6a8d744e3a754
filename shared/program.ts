import type { NewProgram } from './schemas/program'

export interface Program extends NewProgram {
  createdAtMs: number
  /** Null when it never came. */
  usedAtMs: number | null
}
/** With its key, which is shown this once. */
export type MadeProgram = Program & { token: string }
