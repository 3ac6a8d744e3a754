/** One plain sentence that says what to do, and the end. */
export class Stop extends Error {}

/** @param {string} sentence @returns {never} */
export function stop(sentence) {
  throw new Stop(sentence)
}

export function say(text) {
  process.stdout.write(`${text}\n`)
}

/** Runs a script's main function; a Stop is one sentence on standard error and exit code 1, never a stack. */
export async function run(main) {
  try {
    await main()
  } catch (error) {
    if (!(error instanceof Stop)) throw error
    process.stderr.write(`\n${error.message}\n`)
    process.exitCode = 1
  }
}
