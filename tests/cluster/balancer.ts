import { createServer, request, type IncomingMessage, type ServerResponse } from 'node:http'

const LOOK_EVERY_MS = 300
const LOOK_MS = 1000

/** Passes requests on to servers that are ready, in turn; an installation has a real one. */
export async function openBalancer(port: number, upstreams: readonly string[]) {
  const ready = new Set(upstreams)
  let turn = 0

  async function look(url: string): Promise<void> {
    const well = await fetch(`${url}/api/health`, { signal: AbortSignal.timeout(LOOK_MS) }).then(
      reply => reply.ok,
      () => false,
    )
    if (well) ready.add(url)
    else ready.delete(url)
  }
  const looking = setInterval(() => upstreams.forEach(url => void look(url)), LOOK_EVERY_MS)

  function pass(req: IncomingMessage, res: ServerResponse): void {
    const able = upstreams.filter(url => ready.has(url))
    const to = able[turn++ % Math.max(1, able.length)]
    if (!to) {
      res.writeHead(503, { 'retry-after': '1' }).end('{"message":"No server is ready."}')
      return
    }
    const { hostname, port: toPort } = new URL(to)
    const onward = request(
      { hostname, port: toPort, method: req.method, path: req.url, headers: req.headers },
      answer => {
        res.writeHead(answer.statusCode!, answer.headers)
        answer.pipe(res)
        answer.on('error', () => res.destroy())
      },
    )
    // Whoever asked asks again: what is sent twice is there once.
    onward.on('error', () => {
      ready.delete(to)
      if (res.headersSent) res.destroy()
      else res.writeHead(502).end('{"message":"The server went away."}')
    })
    req.pipe(onward)
  }

  const server = createServer(pass)
  await new Promise<void>(done => server.listen(port, '127.0.0.1', done))
  return {
    url: `http://127.0.0.1:${port}`,
    close: () => {
      clearInterval(looking)
      server.closeAllConnections()
      server.close()
    },
  }
}
