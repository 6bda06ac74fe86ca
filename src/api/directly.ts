import type { IncomingMessage, ServerResponse } from 'node:http'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import { tellHealth } from './health'

/** From this length on an answer is packed for whoever takes it so, in bytes: below, packing costs more than sending. */
const LONG = 8_000

const pack = promisify(gzip)

/** A body, read no sooner and no further than somebody asks for it. */
const bodyOf = (req: IncomingMessage): ReadableStream<Uint8Array> => {
  const chunks = req.iterator({ destroyOnReturn: false })
  return new ReadableStream(
    {
      pull: async (to) => {
        const { done, value } = await chunks.next()
        if (done) to.close()
        else to.enqueue(value)
      },
    },
    { highWaterMark: 0 },
  )
}

const asRequest = (req: IncomingMessage): Request => {
  const headers = new Headers()
  for (const [name, value] of Object.entries(req.headers))
    for (const one of Array.isArray(value) ? value : [value]) if (one !== undefined) headers.append(name, one)
  const about = { method: req.method, headers }
  // What host we are called by stands among the headers.
  const url = `http://localhost${req.url ?? '/'}`
  if (req.method === 'GET' || req.method === 'HEAD') return new Request(url, about)
  const sent = { ...about, body: bodyOf(req), duplex: 'half' }
  return new Request(url, sent)
}

/** Answers the server's own request, past the framework, whose way to an answer costs more than most calls do themselves. */
const directly =
  (answer: (request: Request) => Promise<Response>) =>
  async (req: IncomingMessage, res: ServerResponse): Promise<void> => {
    const told = await answer(asRequest(req))
    const whole = Buffer.from(await told.arrayBuffer())
    const packed = whole.length >= LONG && /\bgzip\b/.test(String(req.headers['accept-encoding'] ?? ''))
    const body = packed ? await pack(whole) : whole
    res.writeHead(told.status, {
      ...Object.fromEntries(told.headers),
      ...(packed ? { 'content-encoding': 'gzip' } : {}),
      vary: 'accept-encoding',
      'content-length': body.length,
    })
    res.end(body)
  }

/** What the front door has answered here and not by the framework: whether all is well, and calls of the interface. */
export const DIRECTLY = {
  health: directly(tellHealth),
  call: directly(async (request) => (await import('./serve')).serve(request)),
  /** Reads in what calls need, before the first one does (scripts/readIn.mjs). */
  readIn: () => import('./serve'),
} as const
