import { createServer, request, type Server } from 'node:http'
import type { ChildProcess } from 'node:child_process'
import { freePort } from '../scripts/cluster'
import { serve } from '../scripts/serve'

/** A plain proxy: each request goes to the next server, whoever sends it. One that is gone is answered for with a 502. */
const startProxy = async (ports: readonly number[]): Promise<{ port: number; server: Server }> => {
  let next = 0
  const server = createServer((from, to) => {
    const port = ports[next++ % ports.length]!
    const passed = request(
      {
        host: '127.0.0.1',
        port,
        method: from.method,
        path: from.url,
        headers: { ...from.headers, 'x-forwarded-for': '192.0.2.7' },
      },
      (answer) => {
        to.writeHead(answer.statusCode ?? 502, answer.headers)
        answer.pipe(to)
      },
    )
    passed.on('error', () => {
      if (!to.headersSent) to.writeHead(502)
      to.end()
    })
    from.pipe(passed)
  })
  const port = await freePort()
  await new Promise<void>((done) => server.listen(port, '127.0.0.1', done))
  return { port, server }
}

/** So many servers of one business behind a plain proxy. */
export const startServers = async (count: number, databaseUrl: string, env: Readonly<Record<string, string>>) => {
  const running: { readonly port: number; readonly process: ChildProcess }[] = []
  for (let i = 0; i < count; i++) {
    const port = await freePort()
    running.push({ port, process: await serve({ port, databaseUrl, env }) })
  }
  const { port, server } = await startProxy(running.map((s) => s.port))
  return {
    /** Where the proxy listens. */
    port,
    ports: running.map((s) => s.port),
    /** Ends one from one moment to the next. */
    kill: async (which: number): Promise<void> => {
      const { process } = running[which]!
      process.kill('SIGKILL')
      await new Promise((done) => process.once('exit', done))
    },
    close: (): void => {
      server.close()
      server.closeAllConnections()
      for (const { process } of running) process.kill('SIGKILL')
    },
  }
}
