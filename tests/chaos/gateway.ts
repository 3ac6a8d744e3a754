import { createServer, request, type IncomingMessage, type Server, type ServerResponse } from 'node:http'

/** What stands between a page and its server in a strange network. */
export const MOODS = [
  'clear',
  'portal',
  'maintenance',
  'forbidden',
  'not-found',
  'too-large',
  'bad-gateway',
  'reset',
  'answer-lost',
  'slow',
] as const
export type Mood = (typeof MOODS)[number]

const PAGES: Partial<Record<Mood, number>> = {
  'portal': 200,
  'maintenance': 503,
  'forbidden': 403,
  'not-found': 404,
  'too-large': 413,
  'bad-gateway': 502,
}
const SLOW_MS = 1500

export interface Gateway {
  url: string
  mood: Mood
  close: () => Promise<void>
}

function forward(to: URL, req: IncomingMessage, res: ServerResponse, lose: boolean): void {
  const onward = request(
    { host: to.hostname, port: to.port, method: req.method, path: req.url, headers: req.headers },
    answer => {
      // It arrived and was done; whoever asked never hears of it.
      if (lose) {
        answer.resume()
        answer.once('end', () => res.destroy())
        return
      }
      res.writeHead(answer.statusCode!, answer.headers)
      answer.pipe(res)
    },
  )
  onward.once('error', () => res.destroy())
  res.once('close', () => onward.destroy())
  req.pipe(onward)
}

/** Passes requests on to a server, in whatever mood it is put. */
export async function openGateway(target: string, port: number): Promise<Gateway> {
  const to = new URL(target)
  const gateway: Gateway = {
    url: `http://127.0.0.1:${port}`,
    mood: 'clear',
    close: () =>
      new Promise(done => {
        server.closeAllConnections()
        server.close(() => done())
      }),
  }
  const server: Server = createServer((req, res) => {
    const { mood } = gateway
    const status = PAGES[mood]
    if (status) {
      req.resume()
      res.writeHead(status, { 'content-type': 'text/html' })
      res.end('<!doctype html><title>Somebody else</title><p>This is not the page you asked for.')
    } else if (mood === 'reset') req.socket.destroy()
    else if (mood === 'slow') setTimeout(() => forward(to, req, res, false), SLOW_MS)
    else forward(to, req, res, mood === 'answer-lost')
  })
  await new Promise<void>(done => server.listen(port, '127.0.0.1', done))
  return gateway
}
