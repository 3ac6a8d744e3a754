/**
 * What is set from outside. An empty variable is one that was not set: many ways of starting a program cannot leave
 * one out.
 */
export function setting(name: string): string | undefined {
  return process.env[name]?.trim() || undefined
}

/** A whole number of 1 or more. @throws Error that names the variable, when the server starts */
export function numberSetting(name: string, usual: number): number {
  const text = setting(name)
  if (text === undefined) return usual
  const value = Number(text)
  if (!Number.isInteger(value) || value < 1) throw new Error(`${name} "${text}" is not a whole number of 1 or more.`)
  return value
}
