import type { NewWhatIf } from './schemas/what-if'

/** `handedAtMs` is null while the player does not have it. */
export interface KeptWhatIf extends NewWhatIf {
  keptAtMs: number
  handedAtMs: number | null
}
