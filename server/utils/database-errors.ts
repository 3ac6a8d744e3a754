/** True for a unique key that is there already. The statement in the outer message never leaves the server. */
export function isDuplicate(error: unknown): boolean {
  const code = (error as { cause?: { code?: string }, code?: string }).cause?.code ?? (error as { code?: string }).code
  return code === 'ER_DUP_ENTRY'
}
