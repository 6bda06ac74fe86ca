import type { TestProject } from 'vitest/node'
import { openDatabase } from '../src/data/connect'
import { migrate } from '../src/data/migrate'
import { testCluster } from './cluster'

declare module 'vitest' {
  interface ProvidedContext {
    clusterUrl: string
  }
}

const TEMPLATE = 'till_template'

/** The address of a database of a cluster. */
export const urlOf = (clusterUrl: string, name: string): string => clusterUrl.replace(/\/postgres$/, `/${name}`)

/** A new database: a copy of another, to which nobody is connected; else of the one that was migrated once for all. */
export const copyDatabase = async (clusterUrl: string, name: string, of = TEMPLATE): Promise<string> => {
  const server = openDatabase(clusterUrl)
  await server.db.execute(`create database ${name} template ${of} strategy file_copy`)
  await server.close()
  return urlOf(clusterUrl, name)
}

/** A throw-away cluster with a database in it that was migrated once for all. */
export const templateCluster = async (): Promise<{ url: string; remove: () => Promise<void> }> => {
  const cluster = await testCluster()
  const server = openDatabase(cluster.url)
  await server.db.execute(`create database ${TEMPLATE}`)
  await server.close()
  const template = openDatabase(urlOf(cluster.url, TEMPLATE))
  await migrate(template.db)
  await template.close()
  return cluster
}

/** Where bin/test says which cluster serves all parts. */
export const GIVEN_CLUSTER = 'TILL_TEST_CLUSTER'

const setUp = async ({ provide }: TestProject) => {
  const given = process.env[GIVEN_CLUSTER]
  const { url, remove } = given ? { url: given, remove: async () => {} } : await templateCluster()
  provide('clusterUrl', url)
  return remove
}

export default setUp
