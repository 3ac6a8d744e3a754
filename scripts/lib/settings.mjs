/** What is set from outside; an empty variable is one that was not set. @returns {string | undefined} */
export function setting(name) {
  return process.env[name]?.trim() || undefined
}
