/** One route of the server's own description, as a person reads it. */
export interface ApiRoute {
  method: string
  path: string
  does: string
  who: string
  /** Fields of what is sent, and of the query. */
  fields: { name: string; kind: string; needed: boolean; inQuery: boolean }[]
  gives: string
}
export interface ApiGroup {
  name: string
  routes: ApiRoute[]
}

interface Schema {
  type?: string
  properties?: Record<string, Schema>
  required?: string[]
  enum?: unknown[]
  const?: unknown
  items?: Schema
  anyOf?: Schema[]
  minimum?: number
  maximum?: number
}
interface Operation {
  'summary': string
  'tags': string[]
  'x-role'?: string
  'security': Record<string, string[]>[]
  'parameters': { name: string; in: string; required: boolean; schema: Schema }[]
  'requestBody'?: { content: Record<string, { schema: Schema }> }
  'responses': Record<string, { content?: Record<string, unknown> }>
}
export interface ApiDocument {
  paths: Record<string, Record<string, Operation>>
}

/** "number, 0 to 36" */
function kindOf(schema: Schema): string {
  if (schema.const !== undefined) return JSON.stringify(schema.const)
  if (schema.enum) return schema.enum.map(String).join(' | ')
  if (schema.anyOf) return [...new Set(schema.anyOf.map(kindOf))].join(' or ')
  if (schema.type === 'array') return `list of ${schema.items ? kindOf(schema.items) : 'anything'}`
  const { type = 'anything', minimum, maximum } = schema
  return minimum !== undefined && maximum !== undefined ? `${type}, ${minimum} to ${maximum}` : type
}

const WHO: Record<string, string> = {
  read: 'anybody of the academy; key: read',
  log: 'assistants and coaches; key: log',
  teach: 'coaches; key: teach',
  owner: 'the owner, signed in',
}
function whoOf({ security, 'x-role': role }: Operation): string {
  const [first] = security
  if (!first) return 'anybody'
  if (first.device) return 'a device, by its token'
  if (first.link) return 'a player’s phone, by its token'
  if (first.metrics) return 'a collector, by its token'
  const who = WHO[role ?? ''] ?? ''
  return security.length > 1 ? who : who.replace(/; key.*/, ', signed in')
}

/** A field, and where it is a list of records the fields of one. */
function fieldsOf(properties: Record<string, Schema>, required: readonly string[], within = ''): ApiRoute['fields'] {
  return Object.entries(properties).flatMap(([name, schema]) => {
    const own = { name: `${within}${name}`, kind: kindOf(schema), needed: required.includes(name), inQuery: false }
    const record = within ? undefined : schema.items
    return record?.properties ? [own, ...fieldsOf(record.properties, record.required ?? [], `${name}[].`)] : [own]
  })
}

function routeOf(method: string, path: string, operation: Operation): ApiRoute {
  const body = operation.requestBody?.content['application/json']?.schema
  const query = operation.parameters.filter(one => one.in === 'query')
  const well = Object.entries(operation.responses).find(([status]) => status.startsWith('2'))?.[1]
  return {
    method: method.toUpperCase(),
    path,
    does: operation.summary,
    who: whoOf(operation),
    fields: [
      ...query.map(({ name, required, schema }) => ({ name, kind: kindOf(schema), needed: required, inQuery: true })),
      ...fieldsOf(body?.properties ?? {}, body?.required ?? []),
    ],
    gives: Object.keys(well?.content ?? {})[0] ?? 'nothing',
  }
}

/** What is asked for most comes first. */
const ORDER = ['players', 'ranges', 'drills', 'academy', 'devices', 'ingest', 'link', 'account', 'auth']

/** The server's description of itself (OpenAPI 3.1), group by group. */
export function apiGroups({ paths }: ApiDocument): ApiGroup[] {
  const groups = new Map<string, ApiRoute[]>()
  for (const [path, operations] of Object.entries(paths))
    for (const [method, operation] of Object.entries(operations)) {
      const name = operation.tags[0]!
      groups.set(name, [...(groups.get(name) ?? []), routeOf(method, path, operation)])
    }
  const placeOf = (name: string) => (ORDER.includes(name) ? ORDER.indexOf(name) : ORDER.length)
  return [...groups].map(([name, routes]) => ({ name, routes })).sort((a, b) => placeOf(a.name) - placeOf(b.name))
}
