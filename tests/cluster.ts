import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startCluster } from '../scripts/cluster'

/** A throw-away cluster for a run of tests, gone when it ends. */
export const testCluster = async (): Promise<{ url: string; remove: () => Promise<void> }> => {
  const home = mkdtempSync(join(tmpdir(), 'iron-till-test-'))
  const cluster = await startCluster({ home, throwAway: true })
  return {
    url: cluster.url,
    remove: async () => {
      await cluster.stop()
      rmSync(home, { recursive: true, force: true })
    },
  }
}
