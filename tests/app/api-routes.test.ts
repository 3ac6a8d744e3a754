import { describe, expect, it } from 'vitest'
import { apiGroups, type ApiDocument } from '../../app/features/account/api-routes'

const shot = {
  type: 'object',
  properties: {
    carryM: { type: 'number', minimum: 1, maximum: 400 },
    strike: { anyOf: [{ enum: ['thin', 'fat'] }, {}] },
  },
  required: ['carryM'],
}
const answer = (status: number, type?: string) => ({ [status]: { ...(type && { content: { [type]: {} } }) }, 401: {} })
const described: ApiDocument = {
  paths: {
    '/api/health': {
      get: {
        summary: 'Well?',
        tags: ['server'],
        security: [],
        parameters: [],
        responses: answer(200, 'application/json'),
      },
    },
    '/api/players/{playerId}/shots': {
      post: {
        'summary': 'Balls.',
        'tags': ['players'],
        'x-role': 'log',
        'security': [{ cookie: [] }, { program: ['log'] }],
        'parameters': [
          { name: 'playerId', in: 'path', required: true, schema: { type: 'string' } },
          { name: 'size', in: 'query', required: false, schema: { const: 'card' } },
        ],
        'requestBody': {
          content: { 'application/json': { schema: { properties: { shots: { type: 'array', items: shot } } } } },
        },
        'responses': answer(202, 'application/json'),
      },
    },
    '/api/ingest/shots': {
      post: {
        summary: 'A ball.',
        tags: ['ingest'],
        security: [{ device: [] }],
        parameters: [],
        responses: answer(204),
      },
    },
  },
}

describe('the routes as a person reads them', () => {
  it('begin with players and end with the server itself', () => {
    expect(apiGroups(described).map(({ name }) => name)).toEqual(['players', 'ingest', 'server'])
  })

  it('say who may ask, what comes back, and each field with its bounds, those of a list of records too', () => {
    const [players, ingest, server] = apiGroups(described).map(({ routes }) => routes[0])
    expect(players).toEqual({
      method: 'POST',
      path: '/api/players/{playerId}/shots',
      does: 'Balls.',
      who: 'assistants and coaches; key: log',
      gives: 'application/json',
      fields: [
        { name: 'size', kind: '"card"', needed: false, inQuery: true },
        { name: 'shots', kind: 'list of object', needed: false, inQuery: false },
        { name: 'shots[].carryM', kind: 'number, 1 to 400', needed: true, inQuery: false },
        { name: 'shots[].strike', kind: 'thin | fat or anything', needed: false, inQuery: false },
      ],
    })
    expect([ingest!.who, ingest!.gives]).toEqual(['a device, by its token', 'nothing'])
    expect(server!.who).toBe('anybody')
  })
})
