import type { TestProject } from 'vitest/node'
import { testCluster } from '../cluster'

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string
  }
}

export default async ({ provide }: TestProject) => {
  const { url, remove } = await testCluster()
  provide('clusterUrl', url)
  return remove
}
