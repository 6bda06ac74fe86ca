import type { TestProject } from 'vitest/node'
import { testCluster } from '../cluster'

const setUp = async ({ provide }: TestProject) => {
  const { url, remove } = await testCluster()
  provide('clusterUrl', url)
  return remove
}

export default setUp
