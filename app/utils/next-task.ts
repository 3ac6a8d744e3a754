/** So that what was tapped meanwhile is heard, and what stands is painted, before the next part. */
export const nextTask = () => new Promise<void>(resolve => setTimeout(resolve))
