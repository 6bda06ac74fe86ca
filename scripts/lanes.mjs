// @ts-check
/** Who waits with whom at the front door, and how many go in at once. @import http from 'node:http' */

/** @typedef {(req: http.IncomingMessage, res: http.ServerResponse) => Promise<void>} Answerer */
/** What the program has done here once it has started (src/api/directly.ts). @typedef {{ health: Answerer, call: Answerer, isKnown: (req: http.IncomingMessage) => boolean, shows: (req: http.IncomingMessage) => Promise<boolean> }} Program */
/** @returns {Program | undefined} */
export const program = () => /** @type {{ ironTill?: Program }} */ (globalThis).ironTill

/**
 * So many requests are worked on at once, so many may wait, and how long one waits. Strangers have a lane of their own, and whoever says to
 * be the owner and is not known yet shows it first.
 */
const LANES = {
  owner: { atOnce: 12, waiting: 200, patience: 8_000 },
  public: { atOnce: 4, waiting: 40, patience: 4_000 },
  showing: { atOnce: 4, waiting: 200, patience: 8_000 },
}
/** @typedef {{ atOnce: number, waiting: number, patience: number }} Rules */
/** @param {Rules} rules */
const makeLane = (rules) => {
  let working = 0
  /** @type {{ go: () => void, timer: NodeJS.Timeout }[]} */
  const queue = []
  const leave = () => {
    working--
    const next = queue.shift()
    if (!next) return
    clearTimeout(next.timer)
    next.go()
  }
  /**
   * Calls `go` when there is room, or `full` where there is none in time. Room is left with the answer, or before.
   * @param {http.ServerResponse} res @param {(leave: () => void) => void} go @param {() => void} full
   */
  return (res, go, full) => {
    const begin = () => {
      working++
      let left = false
      const once = () => {
        if (left) return
        left = true
        leave()
      }
      res.once('finish', once)
      res.once('close', once)
      go(once)
    }
    if (working < rules.atOnce) return begin()
    if (queue.length >= rules.waiting) return full()
    const waiter = {
      go: begin,
      timer: setTimeout(() => {
        queue.splice(queue.indexOf(waiter), 1)
        full()
      }, rules.patience),
    }
    queue.push(waiter)
    res.once('close', () => {
      const at = queue.indexOf(waiter)
      if (at >= 0) queue.splice(at, 1)
      clearTimeout(waiter.timer)
    })
  }
}
const lanes = { owner: makeLane(LANES.owner), public: makeLane(LANES.public), showing: makeLane(LANES.showing) }

/**
 * Lets a request wait with those it belongs to. Anybody may say to be the owner: whoever was not let in lately shows it here first, or
 * waits with the strangers. Where the database does not answer, nobody is told so sooner for waiting elsewhere.
 * @param {http.IncomingMessage} req @param {http.ServerResponse} res @param {boolean} stranger @param {() => void} go @param {() => void} full
 */
export const queueUp = (req, res, stranger, go, full) => {
  const known = program()
  if (stranger) return lanes.public(res, go, full)
  if (!known || known.isKnown(req)) return lanes.owner(res, go, full)
  lanes.showing(
    res,
    async (leave) => {
      const isOwner = await known.shows(req).catch(() => true)
      leave()
      if (!req.socket.destroyed) lanes[isOwner ? 'owner' : 'public'](res, go, full)
    },
    full,
  )
}
