import { appendFileSync } from 'node:fs'
import { declareClassPlugin, PluginKind } from '@stryker-mutator/api/plugin'

/** Writes each mutant's fate down as it is known, so that a run that is stopped has told what it found. */
class LineReporter {
  onMutantTested({ fileName, location, mutatorName, replacement, status, statusReason }) {
    const line = { fileName, location, mutatorName, replacement, status, statusReason }
    appendFileSync(process.env.UZZET_MUTANTS, `${JSON.stringify(line)}\n`)
  }
}

export const strykerPlugins = [declareClassPlugin(PluginKind.Reporter, 'lines', LineReporter)]
