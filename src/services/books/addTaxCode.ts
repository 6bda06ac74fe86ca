import {
  addTaxCodeInput,
  addTaxRateInput,
  changeTaxCodeInput,
  dropTaxCodeInput,
} from '@/contract/inputs/books/addTaxCode'
import { present } from '@/core/present'
import type { z } from 'zod'
import { addDays, formatDay } from '@/core/day'
import { insertAccounts, listAccounts } from '@/data/queries/accounts'
import { deleteTaxCodes, findTaxCodeUse, insertTaxCode, lastDayOfTax, renameTaxCode } from '@/data/queries/taxCodes'
import type { Transaction } from '@/data/connect'
import { defineCommand } from '../command'
import { found, refuse, refuseAt, refuseUsed } from '@/contract/refuse'
export type NewTaxCode = z.output<typeof addTaxCodeInput>

/** Account codes of taxes: 2201 to 2289, in the order in which their components came. */
const FIRST_TAX_ACCOUNT = 2201

/** An account for each new component of a tax, in their order. */
const makeAccounts = async (tx: Transaction, components: readonly { readonly name: string }[]): Promise<number[]> => {
  if (components.length === 0) return []
  const taken = new Set((await listAccounts(tx)).map((a) => a.code))
  const free = Array.from({ length: 89 }, (_, i) => String(FIRST_TAX_ACCOUNT + i)).filter((c) => !taken.has(c))
  const rows = components.map((c, i) => ({
    code: free[i] ?? refuse({ code: 'taken', what: 'tax account', value: '2289' }),
    name: `Sales tax payable: ${c.name}`,
    kind: 'liability' as const,
  }))
  return (await insertAccounts(tx, rows)).map((a) => a.id)
}

/** Writes a tax code with an account for each of its components. */
export const writeTaxCode = async (tx: Transaction, code: NewTaxCode): Promise<number> => {
  const accounts = await makeAccounts(tx, code.components)
  const isZero = code.components.every((c) => c.rate.eq(0))
  const treatment = code.treatment ?? (isZero ? 'zero' : 'taxed')
  return insertTaxCode(
    tx,
    { code: code.code, name: code.name, treatment, reason: code.reason },
    code.components.map((c, i) => ({ name: c.name, rate: c.rate, accountId: present(accounts[i]) })),
  )
}

/** Another tax, beside those there are. */
export const addTaxCode = defineCommand('add-tax-code', addTaxCodeInput, async (w, input) => {
  const codes = await w.taxCodes()
  if (codes.some((c) => c.code.toLowerCase() === input.code.toLowerCase()))
    refuse({ code: 'taken', what: 'tax code', value: input.code })
  const id = await writeTaxCode(w.tx, input)
  return {
    id,
    answer: async () => ({
      id,
      code: input.code,
      name: input.name,
      reason: input.reason,
      components: input.components.map((c) => ({ name: c.name, rate: c.rate.toString() })),
    }),
  }
})

/**
 * Other rates of a tax code from a day on. Papers of that day and later take them, those before keep theirs; so no
 * paper of that day or later may have been issued at the old ones. A component of a name that the code had keeps its account.
 */
export const addTaxRate = defineCommand('add-tax-rate', addTaxRateInput, async (w, { taxCodeId, from, components }) => {
  const codes = await w.taxCodes()
  const named = found(
    codes.find((c) => c.id === taxCodeId),
    'tax code',
    taxCodeId,
  )
  const rows = codes.filter((c) => (c.rateOf ?? c.id) === (named.rateOf ?? named.id))
  const latest = rows.reduce((a, b) => ((b.from ?? '') >= (a.from ?? '') ? b : a))
  if (latest.treatment !== 'taxed')
    refuseAt('taxCodeId', `${latest.code} charges nothing, and stays so. Add a tax code of its own.`)
  if (latest.from !== null && from <= latest.from)
    refuseAt('from', `${latest.code} has rates from ${formatDay(latest.from)} already. Choose a later day.`)
  const issued = await lastDayOfTax(
    w.tx,
    rows.map((c) => c.id),
  )
  if (issued !== null && issued >= from)
    refuse({
      code: 'not-before',
      from: addDays(issued, 1),
      what: 'Papers up to that day were issued at the rates there are.',
    })
  const accounts = new Map(rows.flatMap((c) => c.components.map((k) => [k.name, present(c.accountOf.get(k.id))])))
  const fresh = components.filter((c) => !accounts.has(c.name))
  for (const [i, accountId] of (await makeAccounts(w.tx, fresh)).entries())
    accounts.set(present(fresh[i]).name, accountId)
  const first = present(rows.find((c) => c.rateOf === null))
  const { code, name, treatment, reason } = first
  const row = { code, name, treatment, reason, rateOf: first.id, fromDay: from }
  const rateId = await insertTaxCode(
    w.tx,
    row,
    components.map((c) => ({ name: c.name, rate: c.rate, accountId: present(accounts.get(c.name)) })),
  )
  return {
    id: rateId,
    answer: async () => ({
      id: first.id,
      code,
      from,
      components: components.map((c) => ({ name: c.name, rate: c.rate.toString() })),
    }),
  }
})

/**
 * A tax code by other words, from now on: what was issued keeps those it said. A component that is called as the code is
 * goes with it, at all its rates.
 */
export const changeTaxCode = defineCommand('change-tax-code', changeTaxCodeInput, async (w, input) => {
  const codes = await w.taxCodes()
  const named = found(
    codes.find((c) => c.id === input.taxCodeId),
    'tax code',
    input.taxCodeId,
  )
  const id = named.rateOf ?? named.id
  const rows = codes.filter((c) => (c.rateOf ?? c.id) === id)
  const name = input.name ?? named.name
  const reason = input.reason ?? named.reason ?? ''
  const known = rows.flatMap((c) => [...c.components, ...c.owed])
  const to = new Map([[named.name, name], ...input.components.map((k) => [k.name, k.to] as const)])
  for (const [i, k] of input.components.entries())
    if (!known.some((c) => c.name === k.name))
      refuseAt(`components.${i}.name`, `${named.code} has no component ${k.name}.`)
  for (const row of rows) {
    const names = [...row.components, ...row.owed].map((k) => to.get(k.name) ?? k.name)
    const twice = names.find((n, i) => names.indexOf(n) !== i)
    if (twice !== undefined) refuseAt('components', `Two components cannot both be called ${twice}.`)
  }
  await renameTaxCode(
    w.tx,
    rows.map((c) => c.id),
    {
      name,
      reason,
      components: known.map((k) => ({ id: k.id, name: to.get(k.name) ?? k.name })),
    },
  )
  return { id, answer: async () => ({ id, code: named.code, name, reason }) }
})

/** A tax code, or one of its rates (by the row of that), that was a mistake: it goes while nothing uses it. */
export const dropTaxCode = defineCommand('drop-tax-code', dropTaxCodeInput, async (w, { taxCodeId }) => {
  const codes = await w.taxCodes()
  const named = found(
    codes.find((c) => c.id === taxCodeId),
    'tax code',
    taxCodeId,
  )
  const rows = named.rateOf === null ? codes.filter((c) => (c.rateOf ?? c.id) === named.id) : [named]
  const what = named.from === null ? named.code : `The rate of ${named.code} from ${formatDay(named.from)}`
  if (rows.length === codes.length) refuseAt('taxCodeId', `${named.code} is the only tax code. Add another one first.`)
  const exempt = codes.filter((c) => c.treatment === 'exempt')
  if (exempt.length === 1 && exempt[0] === named)
    refuseAt('taxCodeId', `${named.code} is the tax code of customers who are exempt, so it stays.`)
  const ids = rows.map((c) => c.id)
  refuseUsed('taxCodeId', what, await findTaxCodeUse(w.tx, ids))
  await deleteTaxCodes(w.tx, ids)
  return { id: taxCodeId, answer: async () => ({}) }
})
