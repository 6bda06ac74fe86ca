import { mkdtempSync, rmSync, statfsSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startCluster } from '../scripts/cluster'

/** So much must be free there, in bytes: databases are small, but each test has one. */
const ENOUGH = 4_000_000_000

/** A folder that is kept in memory, where this machine has one with enough in it: a new database is there in a tenth of the time. */
const memoryFolder = (): string => {
  try {
    const { bavail, bsize } = statfsSync('/dev/shm')
    return bavail * bsize > ENOUGH ? '/dev/shm' : tmpdir()
  } catch {
    return tmpdir()
  }
}

/**
 * A throw-away cluster for a run of tests, gone when it ends. Where its speed is what is measured it lies on the disk, and
 * waits for it as the owner's does.
 */
export const testCluster = async ({ onDisk = false, settings = [] as readonly string[] } = {}): Promise<{
  url: string
  remove: () => Promise<void>
}> => {
  const home = mkdtempSync(join(onDisk ? tmpdir() : memoryFolder(), 'iron-till-test-'))
  const cluster = await startCluster({ home, throwAway: !onDisk, settings })
  return {
    url: cluster.url,
    remove: async () => {
      await cluster.stop()
      rmSync(home, { recursive: true, force: true })
    },
  }
}
