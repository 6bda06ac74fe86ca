import { readFileSync } from 'node:fs'
import { spawn } from 'node:child_process'
const databaseUrl = process.env.DBURL ?? readFileSync('/tmp/s/url', 'utf8')
import { PAGES } from '../tests/bench/http'
const port = 4555
const server = spawn(process.execPath, ['--cpu-prof', '--cpu-prof-dir=/tmp/s/prof', 'door.mjs'], { cwd: '.next/standalone', stdio: 'inherit', env: { ...process.env, NODE_ENV: 'production', PORT: String(port), HOSTNAME: '127.0.0.1', DATABASE_URL: databaseUrl, TILL_TODAY: '2026-11-25' } })
const base = `http://127.0.0.1:${port}`
for (let i = 0; i < 100; i++) { if (await fetch(base + '/api/health').then((r) => r.ok, () => false)) break; await new Promise((r) => setTimeout(r, 200)) }
const answer = await fetch(`${base}/api/session`, { method: 'POST', headers: { 'content-type': 'application/json', origin: base }, body: JSON.stringify({ passphrase: 'a long passphrase' }) })
const cookie = answer.headers.get('set-cookie')!.split(';')[0]!
const [path, n] = [PAGES[process.argv[2]!] ?? process.argv[2]!, Number(process.argv[3])]
for (let i = 0; i < n; i++) await fetch(base + path, { headers: { cookie } }).then((r) => r.arrayBuffer())
server.kill('SIGTERM')
await new Promise((r) => server.once('exit', r))
process.exit(0)
