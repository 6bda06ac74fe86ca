import type { PaperColumn } from './paperColumns'

export interface LetterTemplate {
  readonly subject: string
  readonly body: string
}

/** What a kind of document is made of and how it looks and is written about where the owner says nothing else. */
interface PaperTraits {
  /** What its id counts. */
  readonly of: 'sale' | 'handover' | 'deposit-request' | 'invoice' | 'receipt' | 'customer'
  readonly columns: readonly PaperColumn[]
  /** Shows no prices, whatever its layout says. */
  readonly withoutPrices?: true
  readonly letter: LetterTemplate
}

const MONEY: readonly PaperColumn[] = ['quantity', 'each', 'less', 'sum']

/** Every kind of document there is. A new one begins here; the compiler names what else it needs. */
export const PAPER_KINDS = {
  estimate: {
    of: 'sale',
    columns: MONEY,
    letter: {
      subject: 'Our estimate {number} for {title}',
      body: 'Dear {name},\n\nhere is our estimate for {title}: {amount}, good through {until}.\n\nYou can look at it, choose, and say yes or no on your page:\n{link}\n\nWith kind regards\n{business}',
    },
  },
  confirmation: {
    of: 'sale',
    columns: MONEY,
    letter: {
      subject: 'Your order {number} is agreed',
      body: 'Dear {name},\n\nthank you for your order. Attached is what we agreed, {amount} in all.\n\nYou find it on your page too:\n{link}\n\nWith kind regards\n{business}',
    },
  },
  'pick-list': {
    of: 'sale',
    columns: ['code', 'quantity', 'onShelf', 'place'],
    withoutPrices: true,
    letter: { subject: 'Pick list {number}', body: 'Attached is pick list {number}.\n\n{business}' },
  },
  'packing-slip': {
    of: 'handover',
    columns: ['code', 'quantity'],
    withoutPrices: true,
    letter: {
      subject: 'On its way: {title}',
      body: 'Dear {name},\n\nyour goods have left our shop. The packing slip {number} is attached.\n\nWith kind regards\n{business}',
    },
  },
  'deposit-request': {
    of: 'deposit-request',
    columns: ['sum'],
    letter: {
      subject: 'Deposit for {title}',
      body: 'Dear {name},\n\nbefore we begin we ask for a deposit of {amount}. The request {number} is attached; you can also pay on your page:\n{link}\n\nWith kind regards\n{business}',
    },
  },
  invoice: {
    of: 'invoice',
    columns: MONEY,
    letter: {
      subject: 'Invoice {number}',
      body: 'Dear {name},\n\nattached is invoice {number} over {amount}, due {due}.\n\nYou can see and pay it on your page:\n{link}\n\nWith kind regards\n{business}',
    },
  },
  'credit-note': {
    of: 'invoice',
    columns: MONEY,
    letter: {
      subject: 'Credit note {number}',
      body: 'Dear {name},\n\nattached is credit note {number} over {amount}.\n\nWith kind regards\n{business}',
    },
  },
  receipt: {
    of: 'receipt',
    columns: ['sum'],
    letter: {
      subject: 'Receipt {number}: thank you',
      body: 'Dear {name},\n\nthank you for your payment of {amount}. The receipt {number} is attached.\n\nWith kind regards\n{business}',
    },
  },
  statement: {
    of: 'customer',
    columns: ['change', 'owed'],
    letter: {
      subject: 'Your statement',
      body: 'Dear {name},\n\nattached is your statement. {amount} is open today.\n\nYour papers are on your page:\n{link}\n\nWith kind regards\n{business}',
    },
  },
  reminder: {
    of: 'customer',
    columns: ['due', 'sum'],
    letter: {
      subject: 'A reminder: {amount} is late',
      body: 'Dear {name},\n\nperhaps it slipped by: {amount} was due by {due} and is still open. The list is attached, and you can pay on your page:\n{link}\n\nIf it is on its way already, thank you.\n\nWith kind regards\n{business}',
    },
  },
  agreement: {
    of: 'sale',
    columns: ['due', 'sum', 'owed'],
    letter: {
      subject: 'Our agreement on payments for {title}',
      body: 'Dear {name},\n\nattached is what we agreed on paying for {title}, {amount} in all. Please sign one copy and bring or send it back.\n\nYou find everything on your page too:\n{link}\n\nWith kind regards\n{business}',
    },
  },
  'open-items': {
    of: 'customer',
    columns: ['due', 'sum'],
    letter: {
      subject: 'What is open with us',
      body: 'Dear {name},\n\nattached is the list of what is open with us: {amount} in all.\n\nYou can see and pay it on your page:\n{link}\n\nWith kind regards\n{business}',
    },
  },
} as const satisfies Readonly<Record<string, PaperTraits>>

export type PaperKind = keyof typeof PAPER_KINDS
export const PAPERS = Object.keys(PAPER_KINDS) as readonly PaperKind[] as readonly [PaperKind, ...PaperKind[]]

/** Whether a text names a kind of document. */
export const isPaper = (text: string): text is PaperKind => Object.hasOwn(PAPER_KINDS, text)

/** What is known of a kind of document. */
export const traitsOf = (paper: PaperKind): PaperTraits => PAPER_KINDS[paper]
