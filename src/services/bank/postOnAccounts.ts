import type { SettleInput } from '@/contract/inputs/bank/bank'
import { refuseAt } from '@/contract/refuse'
import { postBankLine, type BankLinePart } from '@/core/ledger'
import { isPositiveMoney, negateMoney, zeroMoney, type Money } from '@/core/money'
import { codesOn, computeTax } from '@/core/tax'
import { present } from '@/core/present'
import { listAccounts } from '@/data/queries/accounts'
import { listBankAccounts, type BankLineRow, type insertMatches } from '@/data/queries/bankStatements'
import { insertPurchaseTax } from '@/data/queries/purchaseTax'
import { insertTaxMoves } from '@/data/queries/taxMove'
import type { KeptTaxCode } from '@/data/queries/taxCodes'
import { ownAccount } from '../books/ownAccount'
import { taxCodeNamed } from '../books/taxCodeNamed'
import type { Work } from '../command'

type Part = SettleInput & { readonly path: string; readonly sum: Money }
type Row = Parameters<typeof insertMatches>[1][number]

interface Taxed extends BankLinePart {
  readonly of: Part
  readonly code: KeptTaxCode | null
  readonly components: readonly {
    readonly taxCodeId: number
    readonly componentId: number
    readonly net: Money
    readonly amount: Money
  }[]
}

/** A part of a line with the tax that is in it by its code, on the line’s own day. */
const taxed = async (w: Work, line: BankLineRow, of: Part, accountId: number): Promise<Taxed> => {
  const none = zeroMoney(w.currency)
  const comesIn = isPositiveMoney(line.amount)
  const signed = (m: Money): Money => (comesIn ? m : negateMoney(m))
  if (!of.taxCode)
    return { of, accountId, code: null, components: [], net: signed(of.sum), taxes: [], purchaseTax: none }
  const code = taxCodeNamed(codesOn(await w.taxCodes(), line.on), of.taxCode, `${of.path}.taxCode`)
  const whole = { amount: of.sum, taxCode: code }
  const { net, tax, taxes } = computeTax([whole], {
    currency: w.currency,
    pricesIncludeTax: true,
    roundPer: 'document',
  })
  const components = taxes.flatMap((t) => t.components).map((c) => ({ taxCodeId: code.id, ...c, net }))
  return {
    of,
    accountId,
    code,
    components,
    net: signed(net),
    taxes: comesIn
      ? components.map((c) => ({ accountId: present(code.accountOf.get(c.componentId)), amount: c.amount }))
      : [],
    purchaseTax: comesIn ? none : negateMoney(tax),
  }
}

/** Income, expenses and money between own accounts: one entry for all of them, on the line’s own day. */
export const postOnAccounts = async (
  w: Work,
  { line, accountId: bankId }: { readonly line: BankLineRow; readonly accountId: number },
  parts: readonly Part[],
): Promise<Row[]> => {
  const accounts = await listAccounts(w.tx)
  const banks = await listBankAccounts(w.tx)
  const all: Taxed[] = []
  for (const p of parts) {
    const id = p.accountId ?? refuseAt(`${p.path}.accountId`, 'Choose an account.')
    const account = ownAccount(accounts, id, { path: `${p.path}.accountId`, now: 'Choose another one.' })
    if (account.id === bankId)
      refuseAt(`${p.path}.accountId`, 'This is the account of the statement itself. Choose another one.')
    if (p.kind === 'transfer' && account.kind !== 'asset' && account.kind !== 'liability')
      refuseAt(
        `${p.path}.accountId`,
        `${account.name} is no account of money. Choose one, or say that it is an expense.`,
      )
    all.push(await taxed(w, line, p, account.id))
  }
  const isTransfer = parts.every((p) => p.kind === 'transfer')
  const other = isTransfer ? banks.find((b) => b.accountId === all[0]?.accountId) : undefined
  const text = other ? `Transfer, ${other.name}` : line.text === '' ? 'Bank line' : line.text.slice(0, 200)
  const entryId = await w.post(postBankLine({ on: line.on, text, bankId, parts: all }), {
    kind: 'bank-line',
    id: line.id,
  })
  for (const t of all) {
    if (t.taxes.length > 0) await insertTaxMoves(w.tx, t.components, { onDay: line.on, why: 'bank', entryId })
    if (t.code && t.purchaseTax.minor !== 0n)
      await insertPurchaseTax(w.tx, [
        {
          entryId,
          onDay: line.on,
          taxCodeId: t.code.id,
          net: negateMoney(t.net).minor,
          tax: negateMoney(t.purchaseTax).minor,
        },
      ])
  }
  return all.map(({ of, code }) => ({
    lineId: line.id,
    kind: of.kind,
    entryId,
    amount: of.sum.minor,
    made: 'entry' as const,
    madeId: entryId,
    accountId: of.accountId ?? null,
    taxCodeId: code?.id ?? null,
  }))
}
