// @ts-check
/** Who waits with whom at the front door, and how many go in at once. @import http from 'node:http' */

/** @typedef {(req: http.IncomingMessage, res: http.ServerResponse) => Promise<void>} Answerer */
/** What the program has done here once it has started (src/api/directly.ts). @typedef {{ health: Answerer, call: Answerer, isKnown: (req: http.IncomingMessage) => boolean, shows: (req: http.IncomingMessage) => Promise<boolean> }} Program */
/** @returns {Program | undefined} */
export const program = () => /** @type {{ ironTill?: Program }} */ (globalThis).ironTill

/**
 * So many may wait, how long one waits, and after how long one makes room without an answer.
 * @typedef {{ waiting: number, patience: number, held?: number }} Rules
 */
/** @typedef {{ since: number, go: () => void, timers: NodeJS.Timeout[] }} Waiter */

/** How long strangers wait for what is done for the house, and how long the house is about after its last request, in milliseconds. */
const [POLITE, ABOUT] = [1_000, 10_000]

/**
 * @param {Rules} rules @param {(waited: number) => number} atOnce How many, when whoever is next has waited so long
 * @param {() => void} roomIsLeft
 */
const makeLane = ({ waiting, patience, held }, atOnce, roomIsLeft) => {
  let [working, young, lastLeft] = [0, 0, -Infinity]
  /** @type {Waiter[]} */
  const queue = []
  const lane = {
    /** What takes longer waits for something itself, and is nobody's reason to wait. */
    isAtWork: () => young > 0,
    isAbout: () => performance.now() - lastLeft < ABOUT,
    /** Calls in those for whom there is room. */
    callIn: () => {
      for (;;) {
        const [next] = queue
        if (!next || working >= atOnce(performance.now() - next.since)) return
        queue.shift()
        next.timers.forEach(clearTimeout)
        next.go()
      }
    },
    /**
     * Calls `go` when there is room, or `full` where there is none in time. Room is left with the answer, or before.
     * @param {http.ServerResponse} res @param {(leave: () => void) => void} go @param {() => void} full
     */
    enter: (res, go, full) => {
      const begin = () => {
        working++
        young++
        let [isYoung, left] = [true, false]
        const grow = () => {
          if (isYoung) young--
          isYoung = false
        }
        const leave = () => {
          if (left) return
          left = true
          timers.forEach(clearTimeout)
          grow()
          working--
          lastLeft = performance.now()
          roomIsLeft()
        }
        const timers = [setTimeout(grow, POLITE), ...(held === undefined ? [] : [setTimeout(leave, held)])]
        res.once('finish', leave)
        res.once('close', leave)
        go(leave)
      }
      if (queue.length === 0 && working < atOnce(0)) return begin()
      if (queue.length >= waiting) return full()
      const gone = () => {
        const at = queue.indexOf(waiter)
        if (at >= 0) queue.splice(at, 1)
        waiter.timers.forEach(clearTimeout)
        return at >= 0
      }
      /** @type {Waiter} */
      const waiter = {
        since: performance.now(),
        go: begin,
        timers: [setTimeout(() => gone() && full(), patience), setTimeout(lane.callIn, POLITE)],
      }
      queue.push(waiter)
      res.once('close', gone)
    },
  }
  return lane
}

/** The lanes of a front door: what lets a request wait with those it belongs to. */
export const makeLanes = () => {
  const callAllIn = () => [house, showing, strangers].forEach((lane) => lane.callIn())
  const house = makeLane({ waiting: 200, patience: 8_000 }, () => 12, callAllIn)
  /** Whoever says to be of the house and is not known yet shows it first. */
  const showing = makeLane({ waiting: 200, patience: 8_000 }, () => 4, callAllIn)
  /**
   * Strangers go in four at a time; while somebody of the house is about, one after the other, and not beside what is done for the house but
   * after a second. Whoever takes an answer drop by drop is no longer worked for.
   */
  const strangers = makeLane(
    { waiting: 40, patience: 8_000, held: 1_000 },
    (waited) => {
      if (house.isAtWork()) return waited < POLITE ? 0 : 1
      return house.isAbout() ? 1 : 4
    },
    callAllIn,
  )

  /**
   * Calls `go` when it is a request's turn, or `full` where it is not in time. Anybody may say to be the owner: whoever was not let in lately
   * shows it first, or waits with the strangers. Where the database does not answer, nobody is told so sooner for waiting elsewhere.
   * @param {http.IncomingMessage} req @param {http.ServerResponse} res @param {boolean} stranger @param {() => void} go @param {() => void} full
   */
  return (req, res, stranger, go, full) => {
    const known = program()
    if (stranger) return strangers.enter(res, go, full)
    if (!known || known.isKnown(req)) return house.enter(res, go, full)
    showing.enter(
      res,
      async (leave) => {
        const isOwner = await known.shows(req).catch(() => true)
        leave()
        if (!req.socket.destroyed) (isOwner ? house : strangers).enter(res, go, full)
      },
      full,
    )
  }
}
