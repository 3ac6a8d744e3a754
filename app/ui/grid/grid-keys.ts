const STEPS: Readonly<Record<string, { down: number; right: number }>> = {
  ArrowUp: { down: -1, right: 0 },
  ArrowDown: { down: 1, right: 0 },
  ArrowLeft: { down: 0, right: -1 },
  ArrowRight: { down: 0, right: 1 },
}

/** In a field the arrows to the side first move through what is typed: only from its end they leave it. */
function staysInText(field: HTMLInputElement, right: number): boolean {
  if (right === 0 || field.value === '') return false
  const edge = right < 0 ? 0 : field.value.length
  return field.selectionStart !== edge || field.selectionEnd !== edge
}

/** Where an arrow key leads from the cell that has the focus; undefined when the key is not for the grid. */
export function gridStep(event: KeyboardEvent): { down: number; right: number } | undefined {
  if (event.ctrlKey || event.metaKey || event.altKey || event.shiftKey) return undefined
  const step = STEPS[event.key]
  if (!step) return undefined
  return event.target instanceof HTMLInputElement && staysInText(event.target, step.right) ? undefined : step
}
