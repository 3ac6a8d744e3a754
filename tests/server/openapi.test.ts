import { Validator } from '@seriousme/openapi-schema-validator'
import { Ajv2020 } from 'ajv/dist/2020'
import { readdirSync } from 'node:fs'
import { beforeAll, describe, expect, it } from 'vitest'
import { ROUTE_NOTES } from '../../server/openapi/table'
import { atTheRange, Client, newCoach, newId } from './client'
import { OPEN, patternOf, ROUTES } from './routes'

interface Operation {
  requestBody?: { content: { 'application/json': { schema: object } } }
  security: Record<string, string[]>[]
}
interface Document {
  openapi: string
  paths: Record<string, Record<string, Operation>>
  components: { schemas: { Refusal: object } }
}
const ajv = new Ajv2020({ strict: false, validateFormats: false })
const files = (readdirSync('server/api', { recursive: true }) as string[]).filter(
  file => file.endsWith('.ts') && !file.startsWith('[...]'),
)

describe('what programs are told', () => {
  let told: Document
  beforeAll(async () => {
    told = (await new Client().get<Document>('/api/openapi.json')).body
  })
  const operation = (pattern: string) => {
    const [method, path] = pattern.split(' ') as [string, string]
    return told.paths[path.replace(/:(\w+)/g, '{$1}')]?.[method.toLowerCase()]
  }

  it('is a document by the published schema of OpenAPI 3.1', async () => {
    const { valid, errors } = await new Validator().validate({ ...structuredClone(told) })
    expect(errors ?? []).toEqual([])
    expect([valid, told.openapi]).toEqual([true, '3.1.0'])
  })

  it('speaks of every route, of none that is not there, and tells each apart', () => {
    expect(Object.keys(ROUTE_NOTES).sort()).toEqual(files.map(patternOf).sort())
    for (const file of files) expect(operation(patternOf(file)), file).toBeDefined()
    const ids = Object.values(told.paths).flatMap(of =>
      Object.values(of).map(one => (one as { operationId?: string }).operationId),
    )
    expect(new Set(ids).size).toBe(files.length)
  })

  it('says of what comes in what the server says: what it takes fits, and a field that cannot be does not', async () => {
    const at = await atTheRange(await newCoach())
    const withBody = ROUTES.map(({ route, ask }) => ({ route, body: ask(at)[2] })).filter(({ body }) => body)
    expect(withBody.length).toBeGreaterThan(25)
    const unlike: string[] = []
    for (const { route, body } of withBody) {
      const schema = operation(patternOf(route))!.requestBody?.content['application/json'].schema
      // What looks at nothing of its body says so.
      if (!schema) continue
      const fits = ajv.compile(schema)
      if (!fits(body)) unlike.push(`${route}: ${JSON.stringify(fits.errors)}`)
      if (fits('no object')) unlike.push(`${route} takes a text`)
    }
    expect(unlike).toEqual([])
  })

  it('says how a refusal looks, and so it looks', async () => {
    const isRefusal = ajv.compile(told.components.schemas.Refusal)
    const coach = await newCoach()
    const refused = [
      await new Client().get('/api/players'),
      await coach.get(`/api/players/${newId()}`),
      await coach.post('/api/players', { name: 7 }),
    ]
    expect(refused.map(({ status }) => status)).toEqual([401, 404, 422])
    for (const { body } of refused) expect(isRefusal(body), JSON.stringify(body)).toBe(true)
  })

  it('asks for a key wherever one is asked for', () => {
    const open = new Set([...OPEN.filter(file => file.endsWith('.ts') && !file.startsWith('[...]'))].map(patternOf))
    for (const file of files) {
      const pattern = patternOf(file)
      const { security } = operation(pattern)!
      expect(security.length === 0, pattern).toBe(open.has(pattern) && pattern !== 'GET /api/metrics')
    }
  })
})
