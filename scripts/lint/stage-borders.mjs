/**
 * A linter's rule: a component of one stage uses none of another's. Components are found by their tags, so no import says
 * what is used; what two stages share goes up, into `frame`, `marks` or `shots`.
 */

/** Rooms that are stages of the work. All others may be used by everybody. */
export const STAGES = ['account', 'bag', 'chart', 'gaps', 'players', 'published', 'ranges', 'session', 'what-if']

const pascal = room => room.split('-').map(part => part[0].toUpperCase() + part.slice(1)).join('')
const prefixes = STAGES.map(room => [pascal(room), room]).sort(([a], [b]) => b.length - a.length)

/** "LazyGapsCoverTable", "gaps-cover-table": the stage whose component it is; undefined for all others. */
export function stageOfTag(tag) {
  const name = pascal(tag).replace(/^Lazy(?=[A-Z])/, '')
  return prefixes.find(([prefix]) => name.startsWith(prefix) && /^[A-Z]/.test(name.slice(prefix.length)))?.[1]
}

export const stageBorders = {
  meta: {
    type: 'problem', schema: [],
    docs: { description: 'A component of one stage uses none of another\'s.' },
    messages: { other: '<{{tag}}> belongs to {{theirs}}: a component of {{own}} does not use it. What both need goes up.' },
  },
  create(context) {
    const own = /app\/components\/([\w-]+)\//.exec(context.filename.replaceAll('\\', '/'))?.[1]
    const services = context.sourceCode.parserServices
    if (!own || !STAGES.includes(own) || !services.defineTemplateBodyVisitor) return {}
    return services.defineTemplateBodyVisitor({
      VElement(node) {
        const theirs = stageOfTag(node.rawName)
        if (theirs && theirs !== own) context.report({ node: node.startTag, messageId: 'other', data: { tag: node.rawName, theirs, own } })
      },
    })
  },
}
