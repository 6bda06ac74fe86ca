import { sql, type SQL } from 'drizzle-orm'
import { minorDigits } from '@/core/money'

/**
 * An amount of the database's, in whole minor units of a currency, half a unit away from zero as the core rounds it. All of it
 * is exact: `power(10, n)` would be a number of floating point there, and with it what it is multiplied with.
 */
export const inMinor = (amount: SQL, currency: string): SQL =>
  sql`round((${amount}) * ${`1${'0'.repeat(minorDigits(currency))}`}::numeric)`
