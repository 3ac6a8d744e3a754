/** So that what was tapped or sent meanwhile is heard, and what stands is painted, before the next part. */
export const nextTask = () => new Promise<void>(resolve => setTimeout(resolve))
