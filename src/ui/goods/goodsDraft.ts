import type { Costing, GoodsKind, Track } from '@/core/kinds'
import { isEmptyRow } from '../form/isEmptyRow'
import { splitTags } from '../people/customerDraft'

interface StepDraft {
  fromQuantity: string
  validFrom: string
  validUntil: string
}

/** A price beside the list, as the form holds it. */
export interface PriceDraft extends StepDraft {
  /** A price level's code; empty for everybody. */
  level: string
  price: string
}

/** What a supplier asks for one, as the form holds it. */
export interface CostDraft extends StepDraft {
  unitCost: string
}

export interface SupplierDraft {
  supplierId?: number
  name: string
  code: string
  preferred: boolean
  /** They sell it by so many, at so much each. */
  packSize: string
  unitCost: string
  prices: CostDraft[]
}

export interface PartDraft {
  goodsId: number
  name: string
  quantity: string
}

/** Goods as the form holds them: the shape of the call, with text wherever something is typed. */
export interface GoodsDraft {
  code: string
  name: string
  kind: GoodsKind
  price: string
  taxCode: string
  incomeAccount: string
  barcode: string
  note: string
  tags: string
  weight: string
  size: string
  reorderAt: string
  track: Track
  costing: Costing
  warrantyMonths: string
  /** Its usual place by its id; empty for the usual one of all. */
  placeId: string
  priceIsSum: boolean
  onShopfront: boolean
  retired: boolean
  prices: PriceDraft[]
  suppliers: SupplierDraft[]
  parts: PartDraft[]
}

const NO_STEP: StepDraft = { fromQuantity: '', validFrom: '', validUntil: '' }
export const NO_PRICE: PriceDraft = { ...NO_STEP, level: '', price: '' }
export const NO_COST: CostDraft = { ...NO_STEP, unitCost: '' }

export const NO_SELLER: SupplierDraft = { name: '', code: '', preferred: false, packSize: '', unitCost: '', prices: [] }

/** The form before anything is typed. */
export const NO_GOODS: Omit<GoodsDraft, 'taxCode'> = {
  code: '',
  name: '',
  kind: 'stock',
  price: '',
  incomeAccount: '',
  barcode: '',
  note: '',
  tags: '',
  weight: '',
  size: '',
  reorderAt: '',
  track: 'none',
  costing: 'average',
  warrantyMonths: '',
  placeId: '',
  priceIsSum: false,
  onShopfront: false,
  retired: false,
  prices: [],
  suppliers: [],
  parts: [],
}

const stepOf = (s: StepDraft) => ({
  ...(s.fromQuantity ? { fromQuantity: s.fromQuantity } : {}),
  validFrom: s.validFrom || null,
  validUntil: s.validUntil || null,
})

/** Who sells it, named by their id where they are known; by how many and at what cost where that is said. */
const supplierOf = ({ supplierId, name, code, preferred, packSize, unitCost, prices }: SupplierDraft) => ({
  ...(supplierId === undefined ? { name } : { supplierId }),
  code,
  preferred,
  ...(packSize ? { packSize } : {}),
  ...(unitCost ? { unitCost } : {}),
  prices: prices.map((p) => ({ unitCost: p.unitCost, ...stepOf(p) })),
})

/** As the call takes it. What the kind of goods does not have is left out. */
export const goodsBody = (g: GoodsDraft) => ({
  code: g.code,
  name: g.name,
  price: g.price === '' && g.priceIsSum ? '0' : g.price,
  taxCode: g.taxCode,
  incomeAccount: g.incomeAccount || undefined,
  barcode: g.barcode,
  note: g.note,
  tags: splitTags(g.tags),
  weight: g.weight || null,
  size: g.size,
  reorderAt: g.reorderAt || null,
  onShopfront: g.onShopfront,
  prices: g.prices.map((p) => ({
    ...(p.level ? { level: p.level } : {}),
    price: p.price,
    ...stepOf(p),
  })),
  suppliers: g.suppliers.map(supplierOf),
  ...(g.kind === 'stock'
    ? {
        track: g.track,
        costing: g.track === 'serial' ? ('unit' as const) : g.costing === 'unit' ? ('average' as const) : g.costing,
        warrantyMonths: g.warrantyMonths === '' ? null : Number(g.warrantyMonths),
        placeId: g.placeId === '' ? null : Number(g.placeId),
      }
    : {}),
  ...(g.kind === 'kit'
    ? { parts: g.parts.map(({ goodsId, quantity }) => ({ goodsId, quantity })), priceIsSum: g.priceIsSum }
    : {}),
})

export const isNoSupplier = (s: SupplierDraft): boolean => s.supplierId === undefined && isEmptyRow(s)
