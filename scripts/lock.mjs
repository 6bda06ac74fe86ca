/**
 * The lock file says of each package in which file of a registry it lies, as every registry calls them. Without that an
 * installation asks the registry about each package first and reads all its versions: 25 s more of 75. The host is nobody's:
 * `replace-registry-host` in .npmrc puts the registry that is set up in its place. Run by npm whenever packages changed.
 */
import { readFileSync, writeFileSync } from 'node:fs'

const file = new URL('../package-lock.json', import.meta.url)
const before = readFileSync(file, 'utf8')
const lock = JSON.parse(before)
for (const [path, entry] of Object.entries(lock.packages)) {
  if (path === '' || entry.link || !entry.version) continue
  const name = entry.name ?? path.split('node_modules/').at(-1)
  const { version, resolved: _, ...rest } = entry
  lock.packages[path] = {
    version,
    resolved: `https://packages.invalid/${name}/-/${name.split('/').at(-1)}-${version}.tgz`,
    ...rest,
  }
}
const after = `${JSON.stringify(lock, null, 2)}\n`
if (after !== before) writeFileSync(file, after)
