import { spawn, type ChildProcess } from 'node:child_process'
import { join, resolve } from 'node:path'

const root = resolve(import.meta.dirname, '..')

export interface ServerOptions {
  readonly port: number
  readonly databaseUrl: string
  readonly host?: string
  readonly env?: Readonly<Record<string, string>>
}

/** Starts the built application and waits until it answers. */
export const serve = async ({
  port,
  databaseUrl,
  host = '127.0.0.1',
  env = {},
}: ServerOptions): Promise<ChildProcess> => {
  const server = spawn(process.execPath, ['server.js'], {
    cwd: join(root, '.next/standalone'),
    env: {
      ...process.env,
      ...env,
      NODE_ENV: 'production',
      PORT: String(port),
      HOSTNAME: host,
      DATABASE_URL: databaseUrl,
      NEXT_TELEMETRY_DISABLED: '1',
    },
    stdio: ['ignore', 'pipe', 'pipe'],
  })
  let said = ''
  server.stdout?.on('data', (d: Buffer) => (said += d.toString()))
  server.stderr?.on('data', (d: Buffer) => {
    said += d.toString()
    process.stderr.write(d)
  })
  for (let i = 0; i < 150; i++) {
    if (server.exitCode !== null)
      throw new Error(`The application stopped at once. It said: ${said.slice(-600)}`)
    const up = await fetch(`http://127.0.0.1:${port}/api/health`).then(
      (r) => r.ok,
      () => false,
    )
    if (up) return server
    await new Promise((r) => setTimeout(r, 200))
  }
  server.kill()
  throw new Error(`The application did not answer on port ${port}. It said: ${said.slice(-600)}`)
}
