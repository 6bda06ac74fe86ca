'use client'
import { plainText } from '@/core/plainText'
import { RemoveRow } from '../RemoveRow'
import { useState, type ReactNode } from 'react'
import { useFieldArray, useFormContext } from 'react-hook-form'
import type { OpeningList } from '@/contract/inputs/books/opening'
import type { Day } from '@/core/day'
import { FormDay, FormMoney, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { LedgerHead, right } from '../LedgerHead'
import { findCustomers, findGoodsChoices, findSuppliers, Picker } from '../Picker'
import type { Choice, Picking } from '../usePicking'
import { FromSpreadsheet } from './FromSpreadsheet'
import { EMPTY, typedOf, type OpeningDraft, type OpeningRow } from './openingDraft'

export interface OpeningAbout {
  readonly today: Day
  readonly currency: string
  readonly accounts: readonly { readonly code: string; readonly name: string }[]
  /** Where goods lie; asked for where there is more than one place. */
  readonly places: readonly { readonly id: number; readonly name: string }[]
  /** Whether any goods are kept by lot or serial. */
  readonly pieces: boolean
}

/** Rows in sight at first, and how many more at a time. */
const AT_ONCE = 30

interface ListProps {
  readonly list: OpeningList
  readonly title: string
  readonly columns: string
  readonly heads: Parameters<typeof LedgerHead>[0]['heads']
  /** The fields of a row, each in its cell. */
  readonly cells: (path: string, name: string) => readonly ReactNode[]
  readonly add: (append: (row: Partial<OpeningRow>) => void) => ReactNode
}

/** One list: from a spreadsheet, or row by row. */
const Rows = ({ list, title, columns, heads, cells, add }: ListProps) => {
  const { control, getValues } = useFormContext<OpeningDraft>()
  const { fields: rows, append, remove, replace } = useFieldArray({ control, name: list })
  const [shown, setShown] = useState(AT_ONCE)
  const bring = (came: readonly OpeningRow[]) => replace([...getValues(list).filter((r) => !r.fromFile), ...came])
  return (
    <section className="mt-6">
      <h2>
        {title} {rows.length > 0 && <span className="sub">{rows.length}</span>}
      </h2>
      <FromSpreadsheet list={list} title={title} columns={columns} onRows={(read) => bring(read.map(typedOf))} />
      {rows.length > 0 && (
        <div className="mb-2 overflow-x-auto" role="region" aria-label={title} tabIndex={0}>
          <table className="ledger min-w-180">
            <LedgerHead heads={[...heads, '']} />
            <tbody>
              {rows.slice(0, shown).map(({ id, name }, i) => (
                <tr key={id}>
                  <td className="max-w-50 one-line">{name}</td>
                  {cells(`${list}.${i}`, `${name}, row ${i + 1}`).map((cell, n) => (
                    <td key={n}>{cell}</td>
                  ))}
                  <td className="w-9">
                    <RemoveRow label={`Remove ${name}, row ${i + 1}`} onRemove={() => remove(i)} />
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      )}
      {rows.length > shown && (
        <button type="button" className="mb-2 text-xs underline" onClick={() => setShown(shown + 100)}>
          {rows.length - shown} more rows
        </button>
      )}
      <div className="max-w-95">{add((row) => append({ ...EMPTY, ...row }, { shouldFocus: false }))}</div>
    </section>
  )
}

interface OwedProps extends OpeningAbout {
  readonly list: 'receivables' | 'payables'
  readonly title: string
  /** Who owes or is owed: `Customer`. */
  readonly who: string
  readonly add: ListProps['add']
}

/** What is owed on either side: of whom, its number, its days, its amount. */
const OwedRows = ({ list, title, who, add, today, currency }: OwedProps) => (
  <Rows
    list={list}
    title={title}
    columns={`${who.toLowerCase()}, number, date, due, amount`}
    heads={[
      who,
      { head: 'Number', className: 'w-40' },
      { head: 'Date', className: 'w-36' },
      { head: 'Due', className: 'w-36' },
      right('Amount', 'w-34'),
    ]}
    cells={(path, name) => [
      <FormText key="n" name={`${path}.number`} label={`Number: ${name}`} hideLabel most={60} />,
      <FormDay key="o" name={`${path}.on`} label={`Date: ${name}`} hideLabel today={today} />,
      <FormDay key="d" name={`${path}.due`} label={`Due: ${name}`} hideLabel today={today} />,
      <FormMoney key="a" name={`${path}.amount`} label={`Amount: ${name}`} hideLabel currency={currency} />,
    ]}
    add={add}
  />
)

interface AddProps<T> {
  readonly label: string
  readonly find: Picking<T>['find']
  readonly onPick: (picked: T) => void
}

/** Finds what the next row is about. */
const Add = <T,>(props: AddProps<T>) => <Picker chosen="" many {...props} />

export const ReceivableRows = (about: OpeningAbout) => (
  <OwedRows
    {...about}
    list="receivables"
    title="Unpaid invoices"
    who="Customer"
    add={(append) => (
      <Add
        label="Add an invoice of a customer"
        find={findCustomers}
        onPick={({ id, name }) => append({ customerId: id, name })}
      />
    )}
  />
)

export const PayableRows = (about: OpeningAbout) => (
  <OwedRows
    {...about}
    list="payables"
    title="Unpaid bills"
    who="Supplier"
    add={(append) => (
      <Add
        label="Add a bill of a supplier"
        find={findSuppliers}
        onPick={({ id, name }) => append({ supplierId: id, name })}
      />
    )}
  />
)

export const HeldRows = ({ currency }: OpeningAbout) => (
  <Rows
    list="held"
    title="Money of customers on account"
    columns="customer, amount"
    heads={['Customer', right('Amount', 'w-34')]}
    cells={(path, name) => [
      <FormMoney key="a" name={`${path}.amount`} label={`On account: ${name}`} hideLabel currency={currency} />,
    ]}
    add={(append) => (
      <Add
        label="Add money of a customer"
        find={findCustomers}
        onPick={({ id, name }) => append({ customerId: id, name })}
      />
    )}
  />
)

export const StockRows = ({ places, pieces, today }: OpeningAbout) => {
  const several = places.length > 1
  const options = [{ value: '', name: 'Default place' }, ...places.map((p) => ({ value: String(p.id), name: p.name }))]
  return (
    <Rows
      list="stock"
      title="Stock"
      columns={`code, quantity, cost${several ? ', place' : ''}${pieces ? ', lot, expires, serials' : ''}`}
      heads={[
        'Item',
        right('Quantity', 'w-26'),
        right('Cost of one', 'w-30'),
        ...(several ? [{ head: 'Place', className: 'w-36' }] : []),
        ...(pieces ? ['Lot', { head: 'Expires', className: 'w-34' }, 'Serials'] : []),
      ]}
      cells={(path, name) => [
        <FormQuantity key="q" name={`${path}.quantity`} label={`How many: ${name}`} hideLabel />,
        <FormQuantity key="c" name={`${path}.unitCost`} label={`Cost of one: ${name}`} hideLabel />,
        ...(several
          ? [<FormSelect key="p" name={`${path}.placeId`} label={`Place: ${name}`} hideLabel options={options} />]
          : []),
        ...(pieces
          ? [
              <FormText key="l" name={`${path}.lot`} label={`Lot: ${name}`} hideLabel most={60} />,
              <FormDay key="e" name={`${path}.expires`} label={`Expires: ${name}`} hideLabel today={today} />,
              <FormText key="s" name={`${path}.serials`} label={`Serials: ${name}`} hideLabel most={4000} />,
            ]
          : []),
      ]}
      add={(append) => (
        <Add
          label="Add an item: name, code or barcode"
          find={findGoodsChoices}
          onPick={({ id, name }) => append({ goodsId: id, name })}
        />
      )}
    />
  )
}

type Account = OpeningAbout['accounts'][number]

/** Accounts by their number or a word of their name. */
const findIn =
  (accounts: readonly Account[]) =>
  (typed: string): Promise<Choice<Account>[]> => {
    const words = plainText(typed.trim())
    return Promise.resolve(
      accounts
        .filter((a) => a.code.startsWith(words) || plainText(a.name).includes(words))
        .slice(0, 8)
        .map((a) => ({ key: a.code, label: a.name, side: a.code, value: a })),
    )
  }

export const AccountRows = ({ accounts, currency }: OpeningAbout) => (
  <Rows
    list="accounts"
    title="Other accounts"
    columns="account, debit, credit"
    heads={['Account', right('Debit', 'w-34'), right('Credit', 'w-34')]}
    cells={(path, name) => [
      <FormMoney key="d" name={`${path}.debit`} label={`Debit: ${name}`} hideLabel currency={currency} />,
      <FormMoney key="c" name={`${path}.credit`} label={`Credit: ${name}`} hideLabel currency={currency} />,
    ]}
    add={(append) => (
      <Add
        label="Add an account: number or name"
        find={findIn(accounts)}
        onPick={({ code, name }) => append({ code, name })}
      />
    )}
  />
)
