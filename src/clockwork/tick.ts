import { addDays, type Day } from '@/core/day'
import type { Database } from '@/data/connect'
import { listBankAccounts } from '@/data/queries/bankStatements'
import { findBusiness } from '@/data/queries/business'
import { log } from '@/log'
import { businessDate } from '@/services/clock'
import { runDueEntryRepeats } from '@/services/books/repeatEntry'
import { runDueBillRepeats } from '@/services/buying/repeatBill'
import { writeLetter } from '@/services/post/writeLetter'
import { runDueRepeats } from '@/services/sales/runRepeats'
import { listInvoicesOfSales } from '@/data/queries/invoices'
import { riverBank } from '@/standins/bank/riverBank'
import { fetchStatement } from '@/services/bank/fetchStatement'
import { heronParcel } from '@/standins/carrier/carrier'
import { trackParcels } from '@/services/parcels/carrier'
import { backUpNightly } from '@/services/backup/backUp'
import { sendPost } from './postman'
import { runDuePlans } from './runPlans'
import { lookAhead } from './lookAhead'
import { tellWebhooks } from './tellWebhooks'

/** Sales that come again, and a letter with what each of them made by itself. */
const repeatSales = async (db: Database, today: Day, currency: string): Promise<void> => {
  for (const made of await runDueRepeats({ db, today }, currency)) {
    if (!made.byItself) continue
    const invoice = made.makes === 'invoice' ? (await listInvoicesOfSales(db, [made.saleId], currency))[0] : null
    // A customer without an address simply gets no letter; the paper is there.
    if (invoice) await writeLetter.run({ db, today }, { paper: 'invoice', paperId: invoice.id })
    else
      await writeLetter.run(
        { db, today },
        { paper: made.makes === 'offer' ? 'estimate' : 'confirmation', paperId: made.saleId },
      )
  }
}

/**
 * What happens by itself: sales, bills and entries that come again are made on their day, what they issue is posted, plans earn their
 * charges and collect from the cards kept for them, letters go out, other programs are told what happened, banks are asked for
 * statements, and once a day everything is backed up and what Today shows is told ahead. Where one of them breaks, the log says so
 * and the others go on.
 */
export const tick = async (db: Database): Promise<void> => {
  const business = await findBusiness(db)
  if (!business) return
  const today = businessDate()
  const till = { db, today }
  const inTurn: Readonly<Record<string, () => Promise<unknown>>> = {
    'sales that repeat': () => repeatSales(db, today, business.currency),
    'bills that repeat': () => runDueBillRepeats(till),
    'entries that repeat': () => runDueEntryRepeats(till),
    plans: () => runDuePlans(till),
    parcels: () => trackParcels(heronParcel).run(till, {}),
    mail: () => sendPost({ db, business, today }),
    statements: () => fetchStatements(db, today),
    'looking ahead': () => lookAhead(db, business, today),
    'the backup': () => backUpNightly(till),
    // Last: nothing of ours waits for somebody else's program.
    webhooks: () => tellWebhooks(db),
  }
  for (const [what, work] of Object.entries(inTurn))
    await work().catch((problem: unknown) => log.error({ err: problem, what }, 'this did not happen by itself'))
}

/** A bank that gave nothing, or something that was refused, is not asked again for so long, in milliseconds. */
const PATIENCE = 15 * 60_000
const askedOf = new WeakMap<Database, Map<number, number>>()

/** Statements of the days that are over, of accounts whose bank gives them; one that is late comes with a later round. */
const fetchStatements = async (db: Database, today: Day): Promise<void> => {
  const lastAsked = askedOf.get(db) ?? new Map<number, number>()
  askedOf.set(db, lastAsked)
  for (const { id, fedThrough } of await listBankAccounts(db)) {
    if (fedThrough === null || fedThrough >= addDays(today, -1)) continue
    if (performance.now() - (lastAsked.get(id) ?? -PATIENCE) < PATIENCE) continue
    lastAsked.set(id, performance.now())
    const came = await fetchStatement(riverBank).run({ db, today }, { bankAccountId: id })
    if (!came.ok) log.warn({ refused: came.error }, 'the statement of a bank was refused')
  }
}
