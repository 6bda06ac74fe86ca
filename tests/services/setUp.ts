import type { TestProject } from 'vitest/node'
import { openDatabase } from '../../src/data/connect'
import { migrate } from '../../src/data/migrate'
import { testCluster } from '../cluster'

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string
  }
}

/** The database that every test's own is a copy of. */
export const TEMPLATE = 'till_template'

const setUp = async ({ provide }: TestProject) => {
  const { url, remove } = await testCluster()
  const server = openDatabase(url)
  await server.db.execute(`create database ${TEMPLATE}`)
  await server.close()
  const template = openDatabase(url.replace(/\/postgres$/, `/${TEMPLATE}`))
  await migrate(template.db)
  await template.close()
  provide('clusterUrl', url)
  return remove
}

export default setUp
