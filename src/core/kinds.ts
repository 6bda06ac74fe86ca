/** The unions of states and kinds, each written once: columns, answers and screens take them from here. */
export const INVOICE_KINDS = ['invoice', 'counter', 'credit-note'] as const
export const INVOICE_STATUSES = ['draft', 'issued'] as const
export const GOODS_KINDS = ['stock', 'work', 'charge', 'kit'] as const
export type GoodsKind = (typeof GOODS_KINDS)[number]
/** Where tax is rounded: once on the sum of a document for each code, or on every line of it. */
export const TAX_ROUNDED_PER = ['document', 'line'] as const
export type TaxRoundedPer = (typeof TAX_ROUNDED_PER)[number]
/** How pieces of a thing are told apart: not at all, by lot, or each by its serial number. */
export const TRACKS = ['none', 'lot', 'serial'] as const
export type Track = (typeof TRACKS)[number]
/** What a piece costs that leaves: the average, what the oldest cost, or what just this one cost. */
export const COSTINGS = ['average', 'fifo', 'unit'] as const
export type Costing = (typeof COSTINGS)[number]
/** In which turn goods are set aside for a line: before all others, by the day of the order, or after them. */
export const ASIDE_TURNS = ['first', 'in turn', 'last'] as const
export type AsideTurn = (typeof ASIDE_TURNS)[number]
/** How goods go to the customer. */
export const HANDOVER_WAYS = ['counter', 'parcel', 'delivery'] as const
export type HandoverBy = (typeof HANDOVER_WAYS)[number]
/** What takes a part off a supplier's bill. */
export const BILL_FILLS = ['payment', 'discount', 'ahead', 'credit', 'void'] as const
export type BillFillKind = (typeof BILL_FILLS)[number]
/** What a supplier has an address of its own for. */
export const SUPPLIER_ADDRESSES = ['orders', 'returns', 'checks'] as const
export type SupplierAddressUse = (typeof SUPPLIER_ADDRESSES)[number]
/** Where money to a supplier leaves from, beside an account by its id. */
export const PAY_FROM = ['bank', 'drawer', 'own-pocket'] as const
export type PayFrom = (typeof PAY_FROM)[number]
/** What profit is told by. */
export const PROFIT_BY = ['sale', 'goods', 'customer', 'kind', 'channel', 'month'] as const
export type ProfitBy = (typeof PROFIT_BY)[number]
/** By what a cost is spread over goods that came. */
export const SPREAD_BY = ['value', 'quantity', 'weight', 'volume'] as const
export type SpreadBy = (typeof SPREAD_BY)[number]
/** How far an order to a supplier is. */
export const PURCHASE_STATUSES = ['draft', 'sent', 'received in part', 'received', 'closed'] as const
export type PurchaseStatus = (typeof PURCHASE_STATUSES)[number]
/** How far a pick list is. */
export const PICK_STATES = ['to pick', 'picked', 'packed', 'sent'] as const
export type PickState = (typeof PICK_STATES)[number]
export const PARCEL_STATES = ['packed', 'sent', 'delivered', 'lost'] as const
export type ParcelState = (typeof PARCEL_STATES)[number]
/** Of a line of a sale: the kind of its goods, or words alone. */
export const LINE_KINDS = [...GOODS_KINDS, 'heading', 'text'] as const
export const LINE_CHOICES = ['none', 'optional', 'alternative'] as const
export const CHANNELS = ['counter', 'phone', 'shopfront'] as const
export type Channel = (typeof CHANNELS)[number]
export const POST_STATES = ['waiting', 'sent', 'bounced', 'dropped'] as const
export type PostState = (typeof POST_STATES)[number]
export const ADDRESS_KINDS = ['bill-to', 'deliver-to'] as const
export const VOID_KINDS = ['voided', 'bounced'] as const
export const VERSION_KINDS = ['offered', 'agreed', 'changed'] as const
export const REPEAT_EVERY = ['week', 'two-weeks', 'month', 'quarter', 'half-year', 'year'] as const
export const REPEAT_MAKES = ['offer', 'order', 'invoice'] as const
/** The source of the entries that close a year: reports of what was earned leave them out. */
export const YEAR_END = 'year-end'
export const ACCOUNT_KINDS = ['asset', 'liability', 'equity', 'income', 'expense'] as const
export const TREATMENTS = ['taxed', 'zero', 'exempt', 'reverse-charge', 'out-of-scope'] as const
export const PLAN_ENDS = ['paid off', 'rescheduled'] as const

/** What a new business does first, each done by itself when its fact is there. */
export const FIRST_STEPS = ['business', 'goods', 'opening', 'sale', 'backup'] as const
export type FirstStep = (typeof FIRST_STEPS)[number]

/** What other programs are told of as it happens. */
export const WEBHOOK_EVENTS = ['paid', 'ordered', 'handed-over'] as const
export type WebhookEvent = (typeof WEBHOOK_EVENTS)[number]
export const WEBHOOK_STATES = ['waiting', 'delivered', 'failed'] as const

/** The largest file that is kept, in bytes: a photograph from a telephone, a long letter. */
export const LARGEST_FILE = 4_000_000

/** Whom a file is kept with. */
export const FILE_OWNERS = ['customer', 'goods', 'sale', 'business', 'bill', 'entry'] as const
