import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { day } from '@/core/day'
import { openDatabase, type Database } from '@/data/connect'
import { migrate } from '@/data/migrate'
import { findBusiness, type Business } from '@/data/queries/business'
import { present } from '@/core/present'
import { setUpBusiness } from '@/services/access/setUpBusiness'

/** The day on which everything is measured. */
export const today = day('2026-11-25')
export const PASSPHRASE = 'a long passphrase'

export interface Shop {
  readonly db: Database
  readonly business: Business
}

/** Runs the statements of a file beside this one, in one transaction. */
export const runFile = async (db: Database, name: string, sales = 0): Promise<void> => {
  const statements = readFileSync(join(import.meta.dirname, name), 'utf8').replaceAll(':n', String(sales))
  await db.transaction(async (tx) => {
    for (const statement of statements.split(/;\s*\n/).filter((s) => s.replace(/--[^\n]*/g, '').trim() !== ''))
      await tx.execute(statement)
  })
}

/** A business in a database of its own, with so many sales behind it. */
export const fillTrade = async (url: string, name: string, sales: number) => {
  const server = openDatabase(url)
  await server.db.execute(`create database ${name}`)
  await server.close()
  const databaseUrl = url.replace(/\/postgres$/, `/${name}`)
  const { db, close } = openDatabase(databaseUrl, { patient: true })
  await migrate(db)
  const tax = [{ code: 'STD', name: 'Tax', components: [{ name: 'Tax', rate: '0.0825' }] }]
  await setUpBusiness(
    { db, today },
    { name: 'Bench', currency: 'USD', openingDate: '2016-01-01', passphrase: PASSPHRASE, taxCodes: tax },
  )
  await runFile(db, 'fill.sql', sales)
  return { db, close, databaseUrl, business: present(await findBusiness(db)) }
}
