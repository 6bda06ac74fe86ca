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

const setUp = async ({ provide }: TestProject) => {
  const { url, remove } = await testCluster()
  const server = openDatabase(url)
  await server.db.execute(`create database ${TEMPLATE}`)
  await server.close()
  const template = openDatabase(urlOf(url, TEMPLATE))
  await migrate(template.db)
  await template.close()
  provide('clusterUrl', url)
  return remove
}

export default setUp
