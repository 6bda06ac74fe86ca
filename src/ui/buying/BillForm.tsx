'use client'
import { RemoveRow } from '../RemoveRow'
import { useRouter } from 'next/navigation'
import { useEffect, useRef, useState } from 'react'
import { useFieldArray, useFormContext, useWatch } from 'react-hook-form'
import type { AnswerTo } from '@/contract/calls'
import type { Day } from '@/core/day'
import { PAY_FROM } from '@/core/kinds'
import { formatDigits } from '@/core/locale'
import { PAY_FROM_NAMES } from '@/core/names'
import { readBase64 } from '../files/readBase64'
import { CommandForm } from '../form/CommandForm'
import { FormDay, FormMoney, FormOn, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { call } from '../send'
import { tell } from '../tell'
import { taxOptions, type TaxChoice } from '../taxOptions'
import {
  draftOfRead,
  isNoLine,
  lineBody,
  lineByAccount,
  lineOfGoods,
  type BillDraft,
  type BillLineDraft,
  type ToInvoice,
} from './billDraft'
import { ReadBill } from './ReadBill'
import { SupplierPick } from './SupplierPick'

interface Props {
  readonly supplier: { readonly id: number; readonly name: string; readonly taxCode: string | null } | null
  readonly goods: readonly ToInvoice[]
  readonly accounts: readonly { readonly id: number; readonly code: string; readonly name: string }[]
  readonly codes: readonly TaxChoice[]
  readonly currency: string
  readonly today: Day
}

const schema = () => import('@/contract/inputs/buying/bills').then((m) => m.enterBillInput)
const PAID = [{ value: '', name: 'Not yet' }, ...PAY_FROM.map((value) => ({ value, name: PAY_FROM_NAMES[value] }))]

type Entered = AnswerTo<'POST', '/bills'>
const sayEntered = (b: Entered): string => {
  const other = Number(b.priceDifference) === 0 ? '' : ` ${formatDigits(b.priceDifference)} other than received at.`
  const owed = Number(b.open) > 0 ? `${formatDigits(b.open)} owed to ${b.supplier}.` : `Paid to ${b.supplier}.`
  return `${b.number}: ${owed}${other}`
}

/** A supplier's bill: for goods that came at the price it asks, and for anything else by account. */
export const BillForm = ({ supplier, goods, accounts, codes, currency, today }: Props) => {
  const usual = accounts[0] ? String(accounts[0].id) : ''
  const taxCode = supplier?.taxCode ?? ''
  const [paper, setPaper] = useState<File | null>(null)
  const [named, setNamed] = useState(supplier?.name ?? '')
  const start: BillDraft = {
    supplierId: supplier ? String(supplier.id) : '',
    theirNumber: '',
    on: String(today),
    due: '',
    paidFrom: '',
    lines: goods.length > 0 ? goods.map((g) => lineOfGoods(g, taxCode)) : [lineByAccount(usual, taxCode)],
  }
  const router = useRouter()
  // The bill is entered whatever becomes of the picture of it, and its page is on the way.
  const keepPaper = async ({ id, number }: Entered) => {
    if (!paper) return
    const kept = await readBase64(paper).then(
      (base64) => call('POST', '/files', { ownerKind: 'bill', ownerId: id, name: paper.name, base64 }),
      () => ({ ok: false as const, detail: 'It cannot be read any more.' }),
    )
    if (kept.ok) router.refresh()
    else tell(`${paper.name} is not kept with ${number}. ${kept.detail} Add it on the page of the bill.`)
  }
  return (
    <div className={paper ? 'grid gap-6 xl:grid-cols-2' : ''}>
      <div className="max-w-4xl">
        <CommandForm
          method="POST"
          path="/bills"
          schema={schema}
          start={start}
          asBody={({ due, paidFrom, lines, ...d }: BillDraft) => ({
            ...d,
            ...(due === '' ? {} : { due }),
            ...(paidFrom === '' ? {} : { paidFrom }),
            lines: lines.map(lineBody),
          })}
          skip={{ lines: isNoLine }}
          say={sayEntered}
          go={(b) => `/buying/bills/${b.id}`}
          onSent={(b) => void keepPaper(b)}
          preview={{ currency }}
          keeps
          submit="Enter bill"
        >
          <FromFile account={usual} onPaper={setPaper} onSupplier={setNamed} />
          <div className="mb-3 grid gap-3 md:grid-cols-2">
            <SupplierPick key={named} start={named} autoFocus={supplier === null} />
            <FormText name="theirNumber" label="Number on their bill" most={60} />
            <FormOn today={today} />
            <FormDay name="due" label="Due, if not by their terms" today={today} />
          </div>
          <Lines usual={usual} taxCode={taxCode} accounts={accounts} codes={codes} currency={currency} />
          <div className="mt-3 max-w-xs">
            <FormSelect name="paidFrom" label="Paid at once from" options={PAID} />
          </div>
        </CommandForm>
      </div>
      {paper && <Beside paper={paper} onClose={() => setPaper(null)} />}
    </div>
  )
}

/** Fills in the form from their file. */
const FromFile = ({
  account,
  onPaper,
  onSupplier,
}: {
  readonly account: string
  readonly onSupplier: (name: string) => void
  readonly onPaper: (paper: File | null) => void
}) => {
  const { getValues, reset, formState } = useFormContext<BillDraft>()
  return (
    <ReadBill
      isTyped={formState.isDirty}
      onPaper={onPaper}
      onRead={(read) => {
        reset({
          ...getValues(),
          ...draftOfRead(read, account),
          ...(read.supplierId === null ? {} : { supplierId: String(read.supplierId) }),
        })
        if (read.supplierId !== null) onSupplier(read.supplier)
      }}
    />
  )
}

/** Their bill as it was photographed or printed, beside what is typed of it. */
const Beside = ({ paper, onClose }: { readonly paper: File; readonly onClose: () => void }) => {
  const [address, setAddress] = useState('')
  useEffect(() => {
    const made = URL.createObjectURL(paper)
    setAddress(made)
    return () => URL.revokeObjectURL(made)
  }, [paper])
  if (address === '') return null
  return (
    <section aria-label="Their bill">
      <div className="mb-2 flex items-center justify-between gap-3">
        <span className="one-line">{paper.name}</span>
        <RemoveRow label="Leave the file out" onRemove={onClose} />
      </div>
      {paper.type.startsWith('image/') ? (
        // oxlint-disable-next-line nextjs/no-img-element -- it is not sent anywhere yet
        <img src={address} alt="Their bill" className="w-full border border-iron-300" />
      ) : (
        <iframe src={address} title="Their bill" className="h-160 w-full border border-iron-300" />
      )}
    </section>
  )
}

/** What the lines of a supplier’s bill usually are taxed with; lines that nothing else was chosen for take it, when they are chosen. */
const useUsualTax = (ofStart: string): (() => string) => {
  const { getValues, setValue } = useFormContext<BillDraft>()
  const supplierId = useWatch<BillDraft, 'supplierId'>({ name: 'supplierId' })
  const known = useRef({ supplierId, taxCode: ofStart })
  useEffect(() => {
    if (supplierId === '' || supplierId === known.current.supplierId) return
    let isLeft = false
    void call('GET', `/suppliers/${Number(supplierId)}`).then((read) => {
      if (isLeft || !read.ok) return
      const { taxCode: before } = known.current
      known.current = { supplierId, taxCode: read.value.taxCode ?? '' }
      for (const [i, l] of getValues('lines').entries())
        if (l.taxCode === '' || l.taxCode === before) setValue(`lines.${i}.taxCode`, known.current.taxCode)
    })
    return () => {
      isLeft = true
    }
  }, [supplierId, getValues, setValue])
  return () => known.current.taxCode
}

type LinesProps = Pick<Props, 'accounts' | 'codes' | 'currency'> & { readonly usual: string; readonly taxCode: string }

const Lines = ({ usual, taxCode, accounts, codes, currency }: LinesProps) => {
  const { control } = useFormContext<BillDraft>()
  const { fields, append, remove } = useFieldArray({ control, name: 'lines' })
  const usualTax = useUsualTax(taxCode)
  return (
    <div className="@container">
      {fields.map((l, i) => (
        <BillLine key={l.id} line={l} at={i} onRemove={() => remove(i)} {...{ accounts, codes, currency }} />
      ))}
      <button
        type="button"
        className="text-xs underline"
        onClick={() => append(lineByAccount(usual, usualTax()), { shouldFocus: false })}
      >
        Add a line by account
      </button>
    </div>
  )
}

interface LineProps extends Pick<Props, 'accounts' | 'codes' | 'currency'> {
  readonly line: BillLineDraft
  readonly at: number
  readonly onRemove: () => void
}

/** Where the paper stands beside the form a line has two rows: of the first, these fill half each. */
const OF_TWO_ROWS = '@sm:col-span-2 @2xl:col-span-1'

const BillLine = ({ line, at, onRemove, accounts, codes, currency }: LineProps) => {
  const name = line.description || `line ${at + 1}`
  return (
    <fieldset className="mb-3 grid items-end gap-3 @sm:grid-cols-[1fr_1fr_1fr_auto] @2xl:grid-cols-[1.4fr_1fr_1fr_1fr_0.8fr_auto]">
      <legend className="sr-only">{name}</legend>
      {line.accountId === '' ? (
        <>
          <span className={`pb-1.5 ${OF_TWO_ROWS}`}>{line.description}</span>
          <span className={OF_TWO_ROWS}>
            <FormQuantity name={`lines.${at}.quantity`} label="Quantity" />
          </span>
          <FormQuantity name={`lines.${at}.unitCost`} label="Cost of one" />
        </>
      ) : (
        <>
          <span className={OF_TWO_ROWS}>
            <FormText name={`lines.${at}.description`} label="What for" most={500} />
          </span>
          <span className={OF_TWO_ROWS}>
            <FormSelect
              name={`lines.${at}.accountId`}
              label="Account"
              options={accounts.map((a) => ({ value: String(a.id), name: `${a.code} ${a.name}` }))}
            />
          </span>
          <FormMoney name={`lines.${at}.amount`} label="Net" currency={currency} />
        </>
      )}
      <FormSelect name={`lines.${at}.taxCode`} label="Tax" options={taxOptions(codes)} />
      <FormMoney name={`lines.${at}.tax`} label="Tax on it" placeholder="auto" currency={currency} />
      <RemoveRow label={`Remove ${name}`} onRemove={onRemove} />
    </fieldset>
  )
}
