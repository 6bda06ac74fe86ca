/** A price beside the list, as the form holds it. */
export interface PriceDraft {
  /** A price level's code; empty for everybody. */
  readonly level: string
  readonly fromQuantity: string
  readonly price: string
  readonly validFrom: string
  readonly validUntil: string
}

export interface SupplierDraft {
  readonly supplierId?: number
  readonly name: string
  readonly code: string
  readonly preferred: boolean
}

export interface PartDraft {
  readonly goodsId: number
  readonly name: string
  readonly quantity: string
}

/** Goods as the form holds them. */
export interface GoodsDraft {
  readonly code: string
  readonly name: string
  readonly kind: 'stock' | 'work' | 'charge' | 'kit'
  readonly price: string
  readonly taxCode: string
  readonly incomeAccount: string
  readonly barcode: string
  readonly note: string
  readonly tags: string
  readonly weight: string
  readonly size: string
  readonly reorderAt: string
  readonly priceIsSum: boolean
  readonly onShopfront: boolean
  readonly retired: boolean
  readonly prices: readonly PriceDraft[]
  readonly suppliers: readonly SupplierDraft[]
  readonly parts: readonly PartDraft[]
}

export const NO_PRICE: PriceDraft = { level: '', fromQuantity: '', price: '', validFrom: '', validUntil: '' }

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
  priceIsSum: false,
  onShopfront: false,
  retired: false,
  prices: [],
  suppliers: [],
  parts: [],
}

/** As the HTTP interface takes it. What the kind of goods does not have is left out. */
export const goodsBody = (g: GoodsDraft, isNew: boolean) => ({
  code: g.code,
  name: g.name,
  price: g.price === '' && g.priceIsSum ? '0' : g.price,
  taxCode: g.taxCode,
  incomeAccount: g.incomeAccount || undefined,
  barcode: g.barcode,
  note: g.note,
  tags: g.tags
    .split(',')
    .map((t) => t.trim())
    .filter(Boolean),
  weight: g.weight || null,
  size: g.size,
  reorderAt: g.reorderAt || null,
  onShopfront: g.onShopfront,
  prices: g.prices
    .filter((p) => p.price !== '')
    .map((p) => ({
      ...(p.level ? { level: p.level } : {}),
      ...(p.fromQuantity ? { fromQuantity: p.fromQuantity } : {}),
      price: p.price,
      validFrom: p.validFrom || null,
      validUntil: p.validUntil || null,
    })),
  suppliers: g.suppliers
    .filter((s) => s.supplierId !== undefined || s.name.trim() !== '')
    .map((s) => (s.supplierId === undefined ? s : { supplierId: s.supplierId, code: s.code, preferred: s.preferred })),
  ...(g.kind === 'kit'
    ? { parts: g.parts.map(({ goodsId, quantity }) => ({ goodsId, quantity })), priceIsSum: g.priceIsSum }
    : {}),
  ...(isNew ? { kind: g.kind } : { retired: g.retired }),
})
