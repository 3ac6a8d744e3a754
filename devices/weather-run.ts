/** Runs the stand-in weather station until it is stopped. */
import { parseArgs } from 'node:util'
import { startStation } from './weather-station'

const { values } = parseArgs({
  options: { port: { type: 'string', default: '4650' }, seed: { type: 'string', default: '7' } },
})
const [port, seed] = [Number(values.port), Number(values.seed)]
if (!Number.isInteger(port) || port < 1024 || port > 65535) {
  process.stderr.write(`--port: "${values.port}" is not a whole number from 1024 to 65535\n`)
  process.exit(2)
}
if (!Number.isInteger(seed)) {
  process.stderr.write(`--seed: "${values.seed}" is not a whole number\n`)
  process.exit(2)
}
try {
  const { url } = await startStation(port, seed)
  process.stdout.write(`weather station at ${url}\n`)
} catch (error) {
  process.stderr.write(`port ${port}: ${(error as Error).message}\n`)
  process.exit(1)
}
