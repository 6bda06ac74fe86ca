import type { IncomingMessage, ServerResponse } from 'node:http'
import { promisify } from 'node:util'
import { gzip } from 'node:zlib'
import type { Asked } from './asked'
import { comesAgain, isKnown, mayEnter } from './entry'
import { within } from '@/model/access/within'
import { tellHealth } from './health'

/** From this length on an answer is packed for whoever takes it so, in bytes: below, packing costs more than sending. */
const LONG = 8_000

/** How long it may take to look up what somebody shows, in milliseconds. */
const SHOWN = 1_000

const pack = promisify(gzip)

const asAsked = (req: IncomingMessage): Asked => ({
  method: req.method ?? 'GET',
  url: `http://localhost${req.url ?? '/'}`,
  headers: {
    get: (name) => {
      const told = req.headers[name.toLowerCase()]
      return Array.isArray(told) ? told.join(', ') : (told ?? null)
    },
  },
  // A body that nobody reads to its end is the front door's to end.
  body:
    req.method === 'GET' || req.method === 'HEAD'
      ? null
      : { [Symbol.asyncIterator]: () => req.iterator({ destroyOnReturn: false }) },
})

/** Answers the server's own request, past the framework, whose way to an answer costs more than most calls do themselves. */
const directly =
  (answer: (request: Asked) => Promise<Response>) =>
  async (req: IncomingMessage, res: ServerResponse): Promise<void> => {
    const told = await answer(asAsked(req))
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

/** Whether whoever asks shows that they are the owner, or come from a browser of the owner's. */
const isOurs = async (request: Asked): Promise<boolean> =>
  (await mayEnter(request)) !== 'no' || (await comesAgain(request))

/**
 * What the front door has answered here and not by the framework: whether all is well, and calls of the interface; and whether whoever
 * says to be the owner was let in lately, or shows now that it is so.
 */
export const DIRECTLY = {
  health: directly(tellHealth),
  call: directly(async (request) => (await import('./serve')).serve(request)),
  isKnown: (req: IncomingMessage): boolean => isKnown(asAsked(req)),
  shows: (req: IncomingMessage): Promise<boolean> => within(SHOWN, isOurs(asAsked(req))),
  /** Reads in what calls need, before the first one does (scripts/readIn.mjs). */
  readIn: () => import('./serve'),
} as const
