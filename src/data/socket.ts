import { connect, type Socket } from 'node:net'
import postgres from 'postgres'
import { present } from '@/core/present'

interface Addresses {
  readonly host: readonly string[]
  readonly port: readonly number[]
}

/** How long one of several servers may take to answer before the next is asked, in milliseconds. */
const PATIENCE = 2_000
/** A server that lets us go so soon is not the one that was asked for: it follows another. */
const AT_ONCE = 1_000

/**
 * A socket that sends each small packet at once. Without this the client's writes wait for the server's delayed
 * acknowledgement: 40 ms now and then, for statements that take less than one. It is handed over while it connects: the
 * client listens for its failure itself, and would lose the connection's place for ever if we failed before it did.
 */
const promptSocket = (at: Addresses, which: number): Socket => {
  const [host, port] = [present(at.host[which]), present(at.port[which])]
  // The client looks for the name on the socket when it proves the server's certificate.
  return Object.assign(connect({ host, port, noDelay: true }), { host })
}

/** Whether a socket comes to be connected. */
const connects = (socket: Socket): Promise<boolean> =>
  new Promise((done) => {
    const end = (is: boolean): void => {
      clearTimeout(timer)
      socket.off('connect', yes).off('error', no)
      done(is)
    }
    const yes = (): void => end(true)
    const no = (): void => end(false)
    const timer = setTimeout(no, PATIENCE)
    socket.once('connect', yes).once('error', no)
  })

/** Which of several servers took connections last, by their addresses: all clients of the process learn it together. */
const lastGood = new Map<string, number>()

/**
 * A socket to the first of several servers that takes it, beginning with the one that did before. A server that takes a
 * connection and lets it go at once (it follows the one that is written to) is passed over the next time.
 */
const findSocket = async (at: Addresses): Promise<Socket> => {
  const [name, count] = [at.host.map((host, i) => `${host}:${at.port[i]}`).join(), at.host.length]
  const first = lastGood.get(name) ?? 0
  for (let i = 0; i < count; i++) {
    const which = (first + i) % count
    const socket = promptSocket(at, which)
    if (await connects(socket)) {
      lastGood.set(name, which)
      const began = performance.now()
      socket.once('close', () => {
        if (performance.now() - began < AT_ONCE) lastGood.set(name, (which + 1) % count)
      })
      return socket
    }
    socket.destroy()
  }
  return promptSocket(at, first)
}

/**
 * How a client comes to its server, or to the one of several in its address that is asked for (`?target_session_attrs=primary`).
 * The client itself is told of one alone: with several it would go on asking by itself, for as long as none is there, and
 * never say so.
 */
export const socketsTo = (url: string) => {
  const { host, port } = postgres(url).options
  const at = { host, port }
  return {
    host: present(host[0]),
    port: present(port[0]),
    socket: (): Socket | Promise<Socket> => (host.length === 1 ? promptSocket(at, 0) : findSocket(at)),
  }
}
