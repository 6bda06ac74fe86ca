import type { z } from 'zod'
import { liveIn, type Day } from '@/core/day'
import { usesLetterPaper } from '@/core/locale'
import { STARTING_CHART } from '@/core/ledger'
import { err, ok, type Result } from '@/core/result'
import { insertAccounts } from '@/data/queries/accounts'
import { findBusiness, insertBusiness } from '@/data/queries/business'
import { insertCustomer } from '@/data/queries/customers'
import { insertTaxCode } from '@/data/queries/taxCodes'
import type { Transaction } from '@/data/connect'
import { databaseError } from '@/data/databaseError'
import { transact } from '@/data/transact'
import { parse, type Till } from '../command'
import type { Failure } from '@/contract/failure'
import { refuse, Refusal } from '@/contract/refuse'
import { businessDate } from '../clock'
import { writeTaxCode, type NewTaxCode } from '../books/addTaxCode'
import { setUpInput } from '@/contract/inputs/access/entry'
import { easyToGuess } from './easyToGuess'
import { hashPassphrase } from './passphrase'
import { insertPlace } from '@/data/queries/stock'

/** The two codes every business has beside its own: taxed at 0 %, and not taxable. They are reported apart. */
const ALWAYS = [
  { code: 'ZERO', name: 'Zero-rated', treatment: 'zero' as const },
  { code: 'EXEMPT', name: 'Exempt', treatment: 'exempt' as const },
]

const writeTaxCodes = async (tx: Transaction, codes: readonly NewTaxCode[]): Promise<void> => {
  for (const code of codes) await writeTaxCode(tx, code)
  for (const code of ALWAYS) {
    if (!codes.some((c) => c.code.toUpperCase() === code.code)) await insertTaxCode(tx, code, [])
  }
}

/** The first day of the books: today, where the business is, if no other day is said. It may be yesterday there by now. */
const openingDay = ({ openingDate, timeZone }: z.output<typeof setUpInput>, today: Day): Day => {
  if (openingDate !== undefined && openingDate !== today) return openingDate
  liveIn(timeZone ?? '')
  const there = businessDate()
  return there < today ? there : today
}

/** Sets the business up, once: name, currency, passphrase, chart of accounts, tax codes, one place for goods. */
export const setUpBusiness = async (
  till: Till,
  input: unknown,
  /** The demo alone: the sign-in page fills the passphrase in. */
  { demo = false }: { readonly demo?: boolean } = {},
): Promise<Result<{ name: string; currency: string; openingDate: string }, Failure>> => {
  try {
    const s = parse(setUpInput, input)
    if (await findBusiness(till.db)) refuse({ code: 'already-set-up' })
    const codes = s.taxCodes ?? []
    const twice = codes.find((c, i) => codes.findIndex((o) => o.code.toLowerCase() === c.code.toLowerCase()) !== i)
    if (twice) refuse({ code: 'taken', what: 'tax code', value: twice.code })
    const easy = await easyToGuess(s.passphrase, s.name)
    if (easy !== null) refuse({ code: 'invalid', errors: [{ path: 'passphrase', message: easy }] })
    const passphraseHash = await hashPassphrase(s.passphrase)
    const openedOn = openingDay(s, till.today)
    await transact(till.db, async (tx) => {
      await insertBusiness(tx, {
        name: s.name,
        currency: s.currency,
        ...(s.locale
          ? { locale: s.locale, paperSize: usesLetterPaper(s.locale) ? ('letter' as const) : ('A4' as const) }
          : {}),
        timeZone: s.timeZone ?? '',
        openedOn,
        passphraseHash,
        pricesIncludeTax: s.pricesIncludeTax ?? false,
        // One to begin with; whoever tells sales apart names more in the settings.
        kinds: ['sales'],
        demoPassphrase: demo ? s.passphrase : null,
      })
      await insertAccounts(
        tx,
        STARTING_CHART.map((a) => ({ code: a.code, name: a.name, kind: a.kind, role: a.role ?? null })),
      )
      await writeTaxCodes(tx, codes)
      await insertPlace(tx, { code: 'SHOP', name: 'Shop', usual: true })
      await insertCustomer(tx, { name: 'Walk-in customer', walkIn: true, since: openedOn })
    })
    return ok({ name: s.name, currency: s.currency, openingDate: openedOn })
  } catch (problem) {
    if (problem instanceof Refusal) return err(problem.failure)
    if (databaseError(problem)?.constraint_name === 'business_pkey') return err({ code: 'already-set-up' })
    throw problem
  }
}
