import { chmodSync, mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import { join } from 'node:path'
import { startCluster } from '../scripts/cluster'

/** A throw-away cluster for a run of tests, gone when it ends. */
export const testCluster = async (): Promise<{ url: string; remove: () => void }> => {
  const home = mkdtempSync(join(tmpdir(), 'iron-till-test-'))
  // Root runs the server as another user, who must be able to enter.
  chmodSync(home, 0o755)
  const cluster = await startCluster({ home, throwAway: true })
  return {
    url: cluster.url,
    remove: () => {
      cluster.stop()
      rmSync(home, { recursive: true, force: true })
    },
  }
}
