// @ts-check
/**
 * The front door: every request passes here before the application sees it. It lives beside the built server and starts
 * it (see docs/decisions/18-the-front-door.md). Plain JavaScript, because nothing compiles it.
 */
import { randomBytes } from 'node:crypto'
import http from 'node:http'
import { isIP } from 'node:net'
import { keepRoom } from './keepRoom.mjs'
import { makeLanes, program } from './lanes.mjs'
import { readInLater } from './readIn.mjs'

/** What strangers may send at all, and what the owner may (a file of 4 MB in base64, and a little more). */
const PUBLIC_BODY = 16_000
const OWNER_BODY = 6_200_000
/** A backup on the first page of a place that was empty at its start. */
const RESTORE = { path: '/api/first-run/restore', most: 4_000_000_000 }
/** A request that is not sent within this time is let go. */
const SLOW_REQUEST = 30_000
/** So long a connection that asks for nothing is kept: longer than a browser or a proxy keeps one, so that it is theirs to let go of, never in the middle of asking. */
const KEPT = 75_000

const names = new Set(
  ['localhost', ...(process.env.TILL_HOSTS ?? '').split(','), hostOf(process.env.TILL_PUBLIC_URL)]
    .map((name) => name.trim().toLowerCase())
    .filter((name) => name !== ''),
)

/** @param {string | undefined} url */
function hostOf(url) {
  try {
    return url ? new URL(url).hostname : ''
  } catch {
    return ''
  }
}

/** A name that could be anybody's is refused; an address in figures cannot be lent to another site. @param {string | undefined} host */
const isOurs = (host) => {
  if (!host) return false
  const name = host
    .replace(/:\d+$/, '')
    .replace(/^\[|\]$/g, '')
    .toLowerCase()
  return isIP(name) !== 0 || names.has(name)
}

/**
 * Says why not, whole, and leaves the answer open.
 * @param {http.ServerResponse} res @param {number} status @param {string} code @param {string} detail
 * @param {Record<string, string>} [headers]
 */
const say = (res, status, code, detail, headers = {}) => {
  const body = JSON.stringify({
    type: `urn:iron-till:problem:${code}`,
    title: http.STATUS_CODES[status] ?? 'Refused',
    status,
    detail,
  })
  res.writeHead(status, {
    'content-type': 'application/problem+json',
    'content-length': Buffer.byteLength(body),
    'cache-control': 'no-store',
    ...headers,
  })
  res.write(body)
}

/** @type {(...why: Parameters<typeof say>) => void} */
const refuse = (...why) => {
  say(...why)
  why[0].end()
}

/** How long a body that is not wanted is read on, in milliseconds. */
const LINGER = 1_000

/**
 * Refuses a request whose body is not wanted. Closing on whoever still writes would lose them the answer: what comes in a
 * moment is read and dropped, and what comes later is cut off.
 * @param {http.IncomingMessage} req @param {http.ServerResponse} res @param {number} status @param {string} code @param {string} detail
 */
const turnAway = (req, res, status, code, detail) => {
  say(res, status, code, detail, { connection: 'close' })
  const timer = setTimeout(() => {
    res.end()
    req.destroy()
  }, LINGER)
  req.once('end', () => res.end()).once('close', () => clearTimeout(timer))
  req.resume()
}

/** How long a stranger may take to send a body, in milliseconds, and how often it is looked whether all of it came. */
const [SENT_WITHIN, LOOK] = [5_000, 20]

/**
 * Waits until all of a stranger's body has come: whoever sends it drop by drop takes nobody's place meanwhile. It stays where it arrives,
 * which holds a little more than a stranger may send.
 * @param {http.IncomingMessage} req @param {http.ServerResponse} res @param {() => void} go
 */
const whenSent = (req, res, go) => {
  const until = performance.now() + SENT_WITHIN
  const look = () => {
    if (req.socket.destroyed) return
    if (req.complete) return go()
    if (performance.now() > until)
      return turnAway(
        req,
        res,
        408,
        'sent-too-slowly',
        'Not all of it came in time, or it was more than may be sent without signing in (16 kB). Nothing was done; send it again.',
      )
    setTimeout(look, LOOK)
  }
  setImmediate(look)
}

/** @param {string} url */
const readable = (url) => {
  try {
    return !decodeURIComponent(url.replace(/\+/g, ' ')).includes('\0')
  } catch {
    return false
  }
}

/** Whether whoever asks shows something only the owner has, true or not. @param {http.IncomingMessage} req */
const claimsToBeOwner = (req) =>
  /^bearer /i.test(req.headers.authorization ?? '') || /till_session=/.test(req.headers.cookie ?? '')

/** Whether a browser that comes to the door shows that the owner is, or was, let in with it; true or not. @param {http.IncomingMessage} req @param {string} path */
const comesAgain = (req, path) =>
  /^\/(sign-in|api\/session)$/.test(path) && /till_(session|browser)=/.test(req.headers.cookie ?? '')

/** @param {string} path */
const isPublic = (path) => /^\/(api\/(c|shop|session|first-run)\b|c\/|shop\b|sign-in|set-up)/.test(path)

/** What every answer says to browsers. */
const SECURITY_HEADERS = Object.entries({
  'x-content-type-options': 'nosniff',
  'x-frame-options': 'DENY',
  'referrer-policy': 'same-origin',
  'permissions-policy': 'camera=(), microphone=(), geolocation=()',
  'cross-origin-opener-policy': 'same-origin',
})

/** @param {string} nonce */
const policy = (nonce) =>
  `default-src 'self'; script-src 'self' 'nonce-${nonce}' 'strict-dynamic'; style-src 'self' 'unsafe-inline'; img-src 'self' data: blob:; ` +
  "font-src 'self'; worker-src 'self' blob:; connect-src 'self'; object-src 'none'; frame-src 'self' blob:; frame-ancestors 'none'; base-uri 'self'; form-action 'self'"

/** @param {http.IncomingMessage} req @param {http.ServerResponse} res @param {string} path */
const protect = (req, res, path) => {
  if (/https/.test(String(req.headers['x-forwarded-proto'] ?? '')))
    res.setHeader('strict-transport-security', 'max-age=31536000; includeSubDomains')
  delete req.headers['content-security-policy']
  delete req.headers['content-security-policy-report-only']
  if (path.startsWith('/api/') || path.startsWith('/_next/')) return
  // Next.js puts this nonce on its own scripts; nothing else may run.
  const csp = policy(randomBytes(16).toString('base64'))
  req.headers['content-security-policy'] = csp
  res.setHeader('content-security-policy', csp)
}

/** Calls of the interface; what it exports and tells of itself goes through the framework, as pages do. */
const CALL = /^\/api\/v1\/(?!export\/|calendar\/|openapi\.json$)/
const CALLED_BY = /^(GET|POST|PUT|PATCH|DELETE)$/

/**
 * What the program answers itself, once it has started (src/instrumentation.ts): through the framework, health would wait for pages
 * at every step of its way, and a call would cost twice what it does.
 * @param {string} method @param {string} path @returns {import('./lanes.mjs').Answerer | undefined}
 */
const directly = (method, path) => {
  if (path === '/api/health') return /^(GET|HEAD)$/.test(method) ? program()?.health : undefined
  return CALL.test(path) && CALLED_BY.test(method) ? program()?.call : undefined
}

const queueUp = makeLanes()

/** @param {(req: http.IncomingMessage, res: http.ServerResponse) => void} application */
const guarded = (application) => (/** @type {http.IncomingMessage} */ req, /** @type {http.ServerResponse} */ res) => {
  const url = req.url ?? '/'
  const path = url.split('?')[0] ?? '/'
  for (const [name, value] of SECURITY_HEADERS) res.setHeader(name, value)
  if (!isOurs(req.headers.host))
    return refuse(
      res,
      421,
      'not-this-host',
      'Iron Till does not answer to this name here. Add it to TILL_HOSTS, or use the address it printed.',
    )
  if (!readable(url))
    return refuse(
      res,
      400,
      'bad-address',
      'This address cannot be read: something in it is wrongly encoded. Nothing was done.',
    )
  if (url.length > 8_000) return refuse(res, 414, 'long-address', 'This address is too long. Send it in parts.')
  const reads = req.method === 'GET' || req.method === 'HEAD'
  if (!reads && !path.startsWith('/api/'))
    return refuse(res, 405, 'no-such-method', 'Pages are only read. Changes go to /api.', {
      allow: 'GET, HEAD',
    })
  const stranger = isPublic(path) || !claimsToBeOwner(req)
  // Who sits at this machine may set the business up; whoever comes from elsewhere, or through another server, needs the code.
  const near =
    /^(::1|(::ffff:)?127\.)/.test(req.socket.remoteAddress ?? '') &&
    !req.headers['x-forwarded-for'] &&
    !req.headers.forwarded
  const mayRestore =
    path === RESTORE.path && Boolean(process.env.TILL_SETUP_CODE) && (near || Boolean(req.headers['x-till-code']))
  const most = mayRestore ? RESTORE.most : stranger ? PUBLIC_BODY : OWNER_BODY
  const length = Number(req.headers['content-length'] ?? 0)
  if (length > most)
    return turnAway(
      req,
      res,
      413,
      'too-large',
      stranger
        ? 'That is more than may be sent without signing in (16 kB).'
        : 'The request is larger than 6 MB. Send it in parts.',
    )
  protect(req, res, path)
  req.headers['x-till-from'] = near ? 'here' : 'elsewhere'
  // To this machine the way is short: packing a page would take a tenth of what it costs.
  if (near && !/^\/(_next|api)\//.test(path)) delete req.headers['accept-encoding']
  const answer = directly(req.method ?? '', path)
  const go = () => {
    if (!answer) return application(req, res)
    answer(req, res).catch(() => res.destroy())
  }
  if ((path === '/api/health' && reads) || path.startsWith('/_next/static/')) return go()
  const full = () =>
    refuse(res, 503, 'busy', 'There is too much to do at once just now. Nothing was done; try again in a moment.', {
      'retry-after': '2',
    })
  const enter = () => queueUp(req, res, stranger && !comesAgain(req, path), go, full)
  if (stranger && !reads && !mayRestore) return whenSent(req, res, enter)
  enter()
}

/** @type {http.Server | null} */
let server = null
const create = http.createServer
// The built server makes exactly one HTTP server: ours to guard, and ours to close.
http.createServer = /** @type {typeof http.createServer} */ (
  (/** @type {unknown[]} */ ...args) => {
    const application = /** @type {(req: http.IncomingMessage, res: http.ServerResponse) => void} */ (args.pop())
    server = create(guarded(application))
    server.requestTimeout = SLOW_REQUEST
    server.headersTimeout = 10_000
    server.keepAliveTimeout = KEPT
    keepRoom(server, 1_000)
    return server
  }
)

let closing = false
/** Takes no more requests, lets those under way finish (8 s at most), and ends. */
const close = () => {
  if (closing) return
  closing = true
  setTimeout(() => process.exit(0), 8_000).unref()
  if (!server) process.exit(0)
  server.close(() => process.exit(0))
  server.closeIdleConnections()
  setInterval(() => server?.closeIdleConnections(), 100).unref()
}
process.env.NEXT_MANUAL_SIG_HANDLE = 'true'
process.on('SIGTERM', close)
process.on('SIGINT', () => {})
// Whoever started it is gone, however that came.
process.on('disconnect', close)

await import('./server.js')

readInLater()
