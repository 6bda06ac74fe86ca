import { readdirSync, readFileSync } from 'node:fs'

/** How many milliseconds one tick of the kernel's clock of processes is. */
const TICK = 10

interface Process {
  readonly pid: number
  readonly parent: number
  readonly ticks: number
  /** Of children that have ended. */
  readonly ended: number
}

const readProcess = (pid: number): Process | null => {
  try {
    const stat = readFileSync(`/proc/${pid}/stat`, 'utf8')
    // The name stands in brackets and may hold anything; what follows it is numbers.
    const fields = stat.slice(stat.lastIndexOf(')') + 2).split(' ')
    const at = (i: number) => Number(fields[i])
    return { pid, parent: at(1), ticks: at(11) + at(12), ended: at(13) + at(14) }
  } catch {
    return null
  }
}

/** The parent of a process. */
export const parentOf = (pid: number): number => readProcess(pid)?.parent ?? 0

/** How long a process and all below it have computed, in milliseconds, those among them that have ended too. */
export const computed = (root: number): number => {
  const all = readdirSync('/proc').flatMap((name) => (/^\d+$/.test(name) ? (readProcess(Number(name)) ?? []) : []))
  const below = new Set([root])
  for (let grown = -1; grown !== below.size;) {
    grown = below.size
    for (const p of all) if (below.has(p.parent)) below.add(p.pid)
  }
  return all.filter((p) => below.has(p.pid)).reduce((sum, p) => sum + p.ticks + p.ended, 0) * TICK
}
