import type { Day } from '@/core/day'
import { codesOn, type TaxComponent } from '@/core/tax'
import type { Db } from '@/data/connect'
import { listTaxCodes } from '@/data/queries/taxCodes'

const plain = (components: readonly TaxComponent[]) =>
  components.map((k) => ({ id: k.id, name: k.name, rate: k.rate.toString() }))

/** Tax codes as plain text and numbers, for the browser and the HTTP interface: each at the rates of a day, with all its rates. */
export const readPlainTaxCodes = async (db: Db, today: Day) => {
  const all = await listTaxCodes(db)
  return codesOn(all, today).map((c) => ({
    id: c.rateOf ?? c.id,
    code: c.code,
    name: c.name,
    treatment: c.treatment,
    reason: c.reason ?? '',
    components: plain(c.components),
    /** What we owe on what we buy, under reverse charge. */
    owed: plain(c.owed),
    /** Which of the rates hold on the day. */
    rateId: c.id,
    rates: all
      .filter((r) => (r.rateOf ?? r.id) === (c.rateOf ?? c.id))
      .sort((a, b) => ((a.from ?? '') < (b.from ?? '') ? -1 : 1))
      .map((r) => ({ id: r.id, from: r.from, components: plain(r.components) })),
  }))
}
