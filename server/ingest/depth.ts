/** No record of ours is deeper; what is may be built to exhaust who walks it. */
const DEEPEST = 32

/** How many brackets are open at once at most, outside of texts. */
function depthOf(json: string): number {
  let [depth, deepest] = [0, 0]
  let inText = false
  for (let i = 0; i < json.length; i++) {
    const character = json.charCodeAt(i)
    if (inText) {
      if (character === 0x5c) i += 1
      else if (character === 0x22) inText = false
    } else if (character === 0x22) inText = true
    else if (character === 0x7b || character === 0x5b) deepest = Math.max(deepest, (depth += 1))
    else if (character === 0x7d || character === 0x5d) depth -= 1
  }
  return deepest
}

/** @returns why text is too deep to be read, or null */
export function depthFault(json: string): string | null {
  const depth = depthOf(json)
  return depth > DEEPEST ? `What was sent is ${depth} levels deep: at most ${DEEPEST} can be read.` : null
}
