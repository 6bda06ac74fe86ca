import { eq } from 'drizzle-orm'
import type { FirstStep, TaxRoundedPer } from '@/core/kinds'
import { liveIn, type Day } from '@/core/day'
import { houseLocale, localeOf, writeAs } from '@/core/locale'
import { money, type Money } from '@/core/money'
import type { AgeLimits } from '@/core/receivables'
import { builtOnce } from '../builtOnce'
import type { Db } from '../connect'
import { business } from '../schema'

export interface Business {
  readonly name: string
  readonly currency: string
  /** How numbers are written and typed dates read: a BCP 47 tag. */
  readonly locale: string
  /** What day it is there: an IANA name; empty for where the program runs. */
  readonly timeZone: string
  readonly openedOn: Day
  readonly pricesIncludeTax: boolean
  readonly taxRoundedPer: TaxRoundedPer
  readonly closedThrough: Day | null
  readonly estimateDays: number
  readonly address: string
  readonly phone: string
  readonly email: string
  readonly header: string
  readonly footer: string
  readonly conditions: string
  readonly taxNumber: string
  readonly iban: string
  readonly bic: string
  readonly paymentDetails: string
  readonly exportedOn: Day | null
  readonly stepsSkipped: readonly FirstStep[]
  readonly colour: string
  readonly markFileId: number | null
  readonly paperSize: 'A4' | 'letter'
  readonly kinds: readonly string[]
  readonly smtpUrl: string
  /** Tax is owed when money comes ahead, not first with the bill. */
  readonly taxOnDeposits: boolean
  /** Tax comes back when a debt is written off. */
  readonly taxBackOnBadDebts: boolean
  /** In minor units; 1 where every amount can be paid in coins. */
  readonly smallestCoin: number
  readonly ageLimits: AgeLimits
  /** As kept; read by the service that knows its shape. */
  readonly usualArrangements: unknown
  readonly reminderDays: readonly number[]
  readonly bounceFee: Money
  readonly stopSupplyDays: number
  readonly shopfrontOpen: boolean
  /** A link to a sale opens everything of its customer. */
  readonly linksOpenAll: boolean
  readonly demoPassphrase: string | null
}

const mapBusiness = (row: typeof business.$inferSelect): Business => ({
  name: row.name,
  currency: row.currency,
  locale: row.locale,
  timeZone: row.timeZone,
  openedOn: row.openedOn,
  pricesIncludeTax: row.pricesIncludeTax,
  taxRoundedPer: row.taxRoundedPer,
  closedThrough: row.closedThrough,
  estimateDays: row.estimateDays,
  address: row.address,
  phone: row.phone,
  email: row.email,
  header: row.header,
  footer: row.footer,
  conditions: row.conditions,
  taxNumber: row.taxNumber,
  iban: row.iban,
  bic: row.bic,
  paymentDetails: row.paymentDetails,
  exportedOn: row.exportedOn,
  stepsSkipped: row.stepsSkipped,
  colour: row.colour,
  markFileId: row.markFileId,
  paperSize: row.paperSize,
  kinds: row.kinds,
  smtpUrl: row.smtpUrl,
  taxOnDeposits: row.taxOnDeposits,
  taxBackOnBadDebts: row.taxBackOnBadDebts,
  smallestCoin: row.smallestCoin,
  ageLimits: row.ageLimits as unknown as AgeLimits,
  usualArrangements: row.usualArrangements,
  reminderDays: row.reminderDays,
  bounceFee: money(row.bounceFee, row.currency),
  stopSupplyDays: row.stopSupplyDays,
  shopfrontOpen: row.shopfrontOpen,
  linksOpenAll: row.linksOpenAll,
  demoPassphrase: row.demoPassphrase,
})

const theBusiness = builtOnce((db) => db.select().from(business))

/** The business, or null before it is set up. Whoever knows whose it is also writes its numbers as that business does, and knows what day it is there. */
export const findBusiness = async (db: Db): Promise<Business | null> => {
  const [row] = await theBusiness(db)
  if (!row) return null
  if (houseLocale().tag !== row.locale) writeAs(localeOf(row.locale))
  liveIn(row.timeZone)
  return mapBusiness(row)
}

export const findPassphraseHash = async (db: Db): Promise<string | null> => {
  const [row] = await db.select({ hash: business.passphraseHash }).from(business)
  return row?.hash ?? null
}

export const insertBusiness = async (db: Db, row: typeof business.$inferInsert): Promise<void> => {
  await db.insert(business).values(row)
}

export const updateBusiness = async (db: Db, change: Partial<typeof business.$inferInsert>): Promise<void> => {
  await db.update(business).set(change).where(eq(business.id, 1))
}
