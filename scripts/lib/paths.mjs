import { dirname, resolve } from 'node:path'
import { fileURLToPath } from 'node:url'

/** The project's folder, wherever the command was started. */
export const ROOT = resolve(dirname(fileURLToPath(import.meta.url)), '../..')
export const fromRoot = (...parts) => resolve(ROOT, ...parts)
