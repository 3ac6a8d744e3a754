/** Parts of a document as two devices know it: of each the later version, none lost. */
export function mergedParts<P extends { id: string; version: number }>(known: readonly P[], sent: readonly P[]): P[] {
  const parts = new Map(known.map(part => [part.id, part]))
  for (const part of sent) {
    const there = parts.get(part.id)
    if (!there || part.version > there.version) parts.set(part.id, part)
  }
  return [...parts.values()]
}
