import WebSocket from 'ws'
import { existsSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'
import { createServer } from 'node:http'
import { findPostgres } from './cluster'
import { present } from '@/core/present'
import { testCluster } from '../tests/cluster'
import { fillAll, openServer } from '../tests/bench/http'

// Keeps a filled server; GET /?path=/owed&n=40&out=/tmp/x.cpuprofile profiles; /restart starts the server anew (after a build)
const main = async () => {
  process.env.NODE_OPTIONS = ''
  const extension = existsSync(join(present(findPostgres()), '../lib/pg_stat_statements.so'))
  const cluster = await testCluster({ onDisk: true, settings: extension ? ['shared_preload_libraries=pg_stat_statements'] : [] })
  const filled = await fillAll(cluster.url, 'trade', 100_000, extension)
  console.log('DB', filled.databaseUrl)
  let shop: Awaited<ReturnType<typeof openServer>>
  const open = async () => { process.env.NODE_OPTIONS = '--inspect=127.0.0.1:9333'; shop = await openServer(filled, extension); process.env.NODE_OPTIONS = '' }
  await open()
  const profile = async (path: string, n: number, out: string) => {
    for (let i = 0; i < 8; i++) await shop.get(path)
    const list = (await (await fetch('http://127.0.0.1:9333/json')).json()) as { webSocketDebuggerUrl: string }[]
    const ws = new WebSocket(list[0]!.webSocketDebuggerUrl)
    await new Promise((r) => (ws.onopen = r))
    let id = 0
    const waiting = new Map<number, (x: any) => void>()
    ws.onmessage = (m) => { const d = JSON.parse(String(m.data)); waiting.get(d.id)?.(d.result) }
    const send = (method: string, params = {}) => new Promise<any>((r) => { waiting.set(++id, r); ws.send(JSON.stringify({ id, method, params })) })
    await send('Profiler.enable'); await send('Profiler.setSamplingInterval', { interval: 200 }); await send('Profiler.start')
    for (let i = 0; i < n; i++) await shop.get(path)
    const { profile } = await send('Profiler.stop')
    writeFileSync(out, JSON.stringify(profile)); ws.close()
  }
  createServer(async (q, a) => {
    try {
      const u = new URL(q.url!, 'http://x')
      const path = u.searchParams.get('path') ?? '/today'
      if (u.pathname === '/restart') { shop.close(); await new Promise((r) => setTimeout(r, 1500)); await open(); return void a.end('ok\n') }
      if (u.pathname === '/measure') {
        let s = ''
        for (const p of path.split(',')) { for (let i = 0; i < 10; i++) await shop.get(p); const c = await shop.measure(p); s += `${p.padEnd(40)} all ${(c.server + c.database).toFixed(1)} server ${c.server.toFixed(1)} db ${c.database.toFixed(1)} sql ${c.sql.toFixed(1)} n ${c.statements} kB ${(c.bytes / 1000).toFixed(0)} wall ${c.wall.toFixed(0)}\n` }
        return void a.end(s)
      }
      if (u.pathname === '/text') return void a.end(await shop.text(path))
      await profile(path, Number(u.searchParams.get('n') ?? 40), u.searchParams.get('out')!); a.end('ok\n')
    } catch (e) { a.statusCode = 500; a.end(String(e) + '\n') }
  }).listen(9444, '127.0.0.1')
  await new Promise(() => undefined)
}
void main()
