import { z } from 'zod'
import { rightNeeded, type Right } from '../../shared/rights'
import { isForPeople } from '../auth/program'
import { FORMS, ROUTE_NOTES, type RouteNote } from './table'

/** What it takes to come in: nothing, a cookie, or a token in the Authorization header. */
function keysOf(method: string, path: string): Record<string, string[]>[] {
  if (/^\/api\/(auth|health|openapi)/.test(path)) return []
  if (path.startsWith('/api/metrics')) return [{ metrics: [] }]
  if (path.startsWith('/api/ingest/')) return [{ device: [] }]
  if (path.startsWith('/api/link')) return [{ link: [] }]
  return isForPeople(path) ? [{ cookie: [] }] : [{ cookie: [] }, { program: [rightNeeded(method, path)] }]
}

const SCOPE_OF: Record<Right, string> = { read: 'read', log: 'log', teach: 'teach', own: 'owner' }

const schemaOf = (schema: z.ZodType, io: 'input' | 'output') => {
  const { $schema: _, ...rest } = z.toJSONSchema(schema, { io, unrepresentable: 'any' })
  return rest
}

/** Parameters of a query, one by one. */
function queryOf(schema: z.ZodType | undefined) {
  if (!schema) return []
  const { properties = {}, required = [] } = schemaOf(schema, 'input') as {
    properties?: Record<string, object>
    required?: string[]
  }
  return Object.entries(properties).map(([name, own]) => ({
    name,
    in: 'query',
    required: required.includes(name),
    schema: own,
  }))
}

const refusal = (description: string) => ({
  description,
  content: { 'application/json': { schema: { $ref: '#/components/schemas/Refusal' } } },
})

function answersOf({ gives, answer, body, query, ...note }: RouteNote, isOpen: boolean, names: boolean) {
  const status: number = note.status ?? 200
  const type = gives ? FORMS[gives] : 'application/json'
  const content = status === 204 ? {} : { content: { [type]: { schema: answer ? schemaOf(answer, 'output') : {} } } }
  return {
    [status]: { description: 'Well.', ...content },
    ...(!isOpen && { 401: refusal('Not signed in, or a token that opens nothing.') }),
    ...(!isOpen && { 403: refusal('Not for this role or scope.') }),
    ...(names && { 404: refusal('Not there, or another academy’s: it is the same.') }),
    ...((body ?? query) && { 409: refusal('Changed elsewhere meanwhile, or an id that is taken.') }),
    ...((body ?? query) && { 422: refusal('Not accepted: each field is named, with what is allowed.') }),
    429: refusal('Too much at once: Retry-After says when to come again.'),
    503: refusal('The database is away, or too much waits: come again.'),
  }
}

/** The part of the address that says what it is about; what the server tells of itself is one. */
function groupOf(path: string): string {
  const first = path.split('/')[2]!
  return /^(health|metrics|openapi\.json|weather)$/.test(first) ? 'server' : first
}

function operationOf(key: string, note: RouteNote) {
  const [method, path] = key.split(' ') as [string, string]
  const names = [...path.matchAll(/:(\w+)/g)].map(match => match[1]!)
  const security = keysOf(method, path)
  const needed = rightNeeded(method, path)
  return {
    'summary': note.does,
    'operationId': key
      .replace(/[^A-Za-z]+(\w)/g, (_, first: string) => first.toUpperCase())
      .replace(/^[A-Z]+/, w => w.toLowerCase()),
    'tags': [groupOf(path)],
    'x-role': security.length === 0 || security[0]!.cookie === undefined ? undefined : SCOPE_OF[needed],
    security,
    'parameters': [
      ...names.map(name => ({ name, in: 'path', required: true, schema: { type: 'string' } })),
      ...queryOf(note.query),
    ],
    ...(note.body && {
      requestBody: { required: true, content: { 'application/json': { schema: schemaOf(note.body, 'input') } } },
    }),
    'responses': answersOf(note, security.length === 0, names.length > 0),
  }
}

const bearer = (description: string) => ({ type: 'http', scheme: 'bearer', description })

/** The description of all routes (OpenAPI Specification 3.1.0), made from what the program itself checks with. */
export function openApi(version: string) {
  const paths: Record<string, Record<string, object>> = {}
  for (const [key, note] of Object.entries(ROUTE_NOTES)) {
    const [method, path] = key.split(' ') as [string, string]
    const place = path.replace(/:(\w+)/g, '{$1}')
    paths[place] = { ...paths[place], [method.toLowerCase()]: operationOf(key, note) }
  }
  return {
    openapi: '3.1.0',
    info: {
      title: 'Uzzet',
      version,
      description:
        'Lengths are metres, times milliseconds since 1970 (UTC), angles degrees. Ids are UUIDs in lower case that ' +
        'the sender makes: what is sent twice is there once. A write names the version it replaces.',
    },
    paths,
    components: {
      schemas: {
        Refusal: {
          type: 'object',
          required: ['message', 'data'],
          properties: {
            message: { type: 'string', description: 'A sentence for a person.' },
            data: {
              type: 'object',
              required: ['message', 'errors'],
              properties: {
                message: { type: 'string' },
                errors: {
                  type: 'array',
                  items: {
                    type: 'object',
                    required: ['field', 'message'],
                    properties: { field: { type: 'string' }, message: { type: 'string' } },
                  },
                },
              },
            },
          },
        },
      },
      securitySchemes: {
        cookie: { type: 'apiKey', in: 'cookie', name: 'uzzet', description: 'A person who signed in.' },
        program: bearer('A key made under Account, Programs: in the name of its coach, as far as its scope goes.'),
        device: bearer('The token of a device.'),
        link: bearer('The token of a player’s link.'),
        metrics: bearer('UZZET_METRICS_TOKEN.'),
      },
    },
  }
}
