import type { Db } from '@/data/connect'
import { listTaxCodes } from '@/data/queries/taxCodes'

/** Tax codes as plain text and numbers, for the browser and the HTTP interface. */
export const readPlainTaxCodes = async (db: Db) =>
  (await listTaxCodes(db)).map((c) => ({
    id: c.id,
    code: c.code,
    name: c.name,
    treatment: c.treatment,
    components: c.components.map((k) => ({ id: k.id, name: k.name, rate: k.rate.toString() })),
  }))
