// @ts-check
/** How many connections the front door holds, and whose room a new one takes. @import http from 'node:http' @import net from 'node:net' */

/**
 * A server holds so many connections. When there are as many, a new one takes the room of the one that has asked for nothing for
 * longest: whoever opens a thousand and says nothing shuts nobody out.
 * @param {http.Server} server @param {number} most
 */
export const keepRoom = (server, most) => {
  /** @type {Set<net.Socket>} */
  const silent = new Set()
  let open = 0
  server.on('connection', (/** @type {net.Socket} */ socket) => {
    open++
    silent.add(socket)
    socket.once('close', () => {
      open--
      silent.delete(socket)
    })
    if (open <= most) return
    const [longest] = silent
    longest?.destroy()
  })
  server.on('request', ({ socket }, res) => {
    silent.delete(socket)
    res.once('close', () => {
      if (!socket.destroyed) silent.add(socket)
    })
  })
}
