'use client'
import { FormProvider, useWatch } from 'react-hook-form'
import type { Day } from '@/core/day'
import type { Costing, GoodsKind, Track } from '@/core/kinds'
import { FormProblems } from '../form/FormProblems'
import { FormArea, FormCheck, FormMoney, FormQuantity, FormSelect, FormText } from '../form/inputs'
import { useCommandForm } from '../form/useCommandForm'
import { goodsBody, isNoSupplier, type GoodsDraft } from './goodsDraft'
import { PartRows } from './PartRows'
import { PriceRows } from './PriceRows'
import { SupplierRows } from './SupplierRows'
import { isEmptyRow } from '../form/isEmptyRow'
import { LeftOffer } from '../left'

interface Props {
  readonly id: number | null
  /** What of the goods is in `start`. */
  readonly edition?: string
  readonly start: GoodsDraft
  readonly currency: string
  readonly today: Day
  readonly codes: readonly { readonly code: string; readonly name: string }[]
  readonly accounts: readonly { readonly code: string; readonly name: string }[]
  /** None where there is only one. */
  readonly places: readonly { readonly id: number; readonly name: string }[]
  /** It was in stock before: how it is tracked and costed stays. */
  readonly moved?: boolean
  readonly levels: readonly { readonly code: string; readonly name: string }[]
  /** At how many more should be ordered, from how it sells and comes. */
  readonly reorder?: string
}

const KINDS: readonly { readonly value: GoodsKind; readonly name: string }[] = [
  { value: 'stock', name: 'Stock item' },
  { value: 'work', name: 'Work' },
  { value: 'charge', name: 'Charge' },
  { value: 'kit', name: 'Kit (made of other goods)' },
]

const inputs = () => import('@/contract/inputs/goods/keepGoods')
const toAdd = () => inputs().then((m) => m.addGoodsInput)
const toChange = () => inputs().then((m) => m.changeGoodsInput)

/** Goods: what they are called, cost the customer, are made of, and where they come from. */
export const GoodsForm = ({
  id,
  edition,
  start,
  currency,
  today,
  codes,
  accounts,
  levels,
  places,
  moved = false,
  reorder,
}: Props) => {
  const { form, sendBody, busy, refused, bringBack } = useCommandForm({
    start,
    keeps: 'goods',
    changes: id !== null,
    edition,
    schema: id === null ? toAdd : toChange,
    asBody: (g: GoodsDraft) => ({
      ...goodsBody(g),
      ...(id === null ? { kind: g.kind } : { goodsId: id, retired: g.retired }),
    }),
    skip: { prices: isEmptyRow, suppliers: isNoSupplier },
  })
  const save =
    id === null
      ? sendBody('POST', '/goods', { say: (g) => `${g.name} added.`, go: (g) => `/goods/${g.id}` })
      : sendBody('PATCH', `/goods/${id}`, { say: (g) => `${g.name} saved.` })
  const income = accounts.map((a) => ({ value: a.code, name: `${a.code} ${a.name}` }))
  return (
    <FormProvider {...form}>
      <form noValidate className="grid max-w-lg gap-3" onSubmit={(e) => void save(e)}>
        <LeftOffer bringBack={bringBack} />
        <div className="grid grid-cols-2 gap-3">
          <FormText name="code" label="Code" most={40} autoFocus={id === null} />
          <FormText name="barcode" label="Barcode" most={60} />
        </div>
        <FormText name="name" label="Name" most={200} />
        {id === null && <FormSelect name="kind" label="Type" options={KINDS} />}
        <Kit />
        <div className="grid grid-cols-2 gap-3">
          <Price currency={currency} />
          <FormSelect name="taxCode" label="Tax code" options={codes.map((c) => ({ value: c.code, name: c.name }))} />
        </div>
        <PriceRows levels={levels} currency={currency} today={today} />
        <OnTheShelf today={today} moved={moved} places={places} reorder={reorder} />
        <FormText name="tags" label="Tags, separated by commas" most={400} />
        <FormSelect
          name="incomeAccount"
          label="Income account"
          options={id === null ? [{ value: '', name: 'Default for this type' }, ...income] : income}
        />
        <FormArea name="note" label="Notes" most={2000} />
        <FormCheck name="onShopfront" label="Sell in the online shop" />
        {id !== null && <FormCheck name="retired" label="Discontinued (kept on existing documents)" />}
        <FormProblems refused={refused} />
        <button className="btn btn-do" disabled={busy} data-primary>
          {id === null ? 'Add item' : 'Save changes'}
        </button>
      </form>
    </FormProvider>
  )
}

const useKind = () => useWatch<GoodsDraft, 'kind'>({ name: 'kind' })

const Kit = () =>
  useKind() === 'kit' && (
    <>
      <PartRows />
      <FormCheck name="priceIsSum" label="Price is the sum of its parts" />
    </>
  )

const Price = ({ currency }: { readonly currency: string }) => {
  const kind = useKind()
  const isSum = useWatch<GoodsDraft, 'priceIsSum'>({ name: 'priceIsSum' })
  if (kind === 'kit' && isSum) return null
  return <FormMoney name="price" label={kind === 'work' ? 'Price per hour or piece' : 'Price'} currency={currency} />
}

const TRACKS: readonly { readonly value: Track; readonly name: string }[] = [
  { value: 'none', name: 'By quantity' },
  { value: 'lot', name: 'By lot' },
  { value: 'serial', name: 'By serial' },
]
const COSTINGS: readonly { readonly value: Costing; readonly name: string }[] = [
  { value: 'average', name: 'Average cost' },
  { value: 'fifo', name: 'First in, first out' },
]

/** How pieces are told apart and costed; chosen before the first one comes in. */
const Told = ({ moved }: { readonly moved: boolean }) => {
  const [track, costing] = useWatch<GoodsDraft, ['track', 'costing']>({ name: ['track', 'costing'] })
  const chosen = [
    TRACKS.find((t) => t.value === track)?.name,
    track === 'serial' ? 'each at its own cost' : COSTINGS.find((c) => c.value === costing)?.name.toLowerCase(),
  ].join(', ')
  return (
    <>
      {moved ? (
        <p className="text-[15px]">
          <span className="label">Tracked</span>
          {chosen}
        </p>
      ) : (
        <div className="grid grid-cols-2 gap-3">
          <FormSelect name="track" label="Tracked" options={TRACKS} />
          {track === 'serial' ? (
            <p className="pt-6 text-[15px]">Each at its own cost</p>
          ) : (
            <FormSelect name="costing" label="Costed at" options={COSTINGS} />
          )}
        </div>
      )}
      <FormText name="warrantyMonths" label="Warranty, months" most={3} />
    </>
  )
}

const OnTheShelf = ({ today, moved = false, places, reorder }: Pick<Props, 'today' | 'moved' | 'places' | 'reorder'>) =>
  useKind() === 'stock' && (
    <>
      <SupplierRows today={today} />
      <Told moved={moved} />
      {places.length > 0 && (
        <FormSelect
          name="placeId"
          label="Default place"
          options={[
            { value: '', name: 'As for all goods' },
            ...places.map((p) => ({ value: String(p.id), name: p.name })),
          ]}
        />
      )}
      <div className="grid grid-cols-3 gap-3">
        <FormQuantity name="reorderAt" label="Reorder at" hint={reorder} />
        <FormQuantity name="weight" label="Weight, kg" />
        <FormText name="size" label="Size, cm" most={60} placeholder="40 × 25 × 12" />
      </div>
    </>
  )
