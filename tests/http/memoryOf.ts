import { spawnSync } from 'node:child_process'
import { readFileSync } from 'node:fs'

/** Resident memory of the process that listens at an address of this machine, in MB. */
export const memoryOf = (base: string): number => {
  const { port } = new URL(base)
  const listening = spawnSync('ss', ['-ltnpH', `sport = :${port}`], { encoding: 'utf8' }).stdout
  const pid = /pid=(\d+)/.exec(listening)?.[1]
  if (!pid) throw new Error(`nothing listens on ${port}: ${listening}`)
  return Number(/VmRSS:\s+(\d+)/.exec(readFileSync(`/proc/${pid}/status`, 'utf8'))![1]) / 1024
}
