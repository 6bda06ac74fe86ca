/** A part of the settings, with an address of its own and the words it is found by. */
export interface SettingsSection {
  readonly id: string
  readonly title: string
  readonly about: string
  /** The names of its fields and headings, as they stand on its page. */
  readonly fields: readonly string[]
  /** Other words somebody may look for. */
  readonly also: readonly string[]
}

export const SETTINGS_SECTIONS = [
  {
    id: 'business',
    title: 'Business and documents',
    about: 'Name, address, logo, tax ID, how customers pay, terms and conditions',
    fields: [
      'Name',
      'Address',
      'Phone',
      'Sender email',
      'Tax ID (printed on every document)',
      'How to pay (printed on invoices, requests, statements)',
      'IBAN',
      'BIC (optional)',
      'Line under the name',
      'Footer',
      'Terms and conditions (estimates, orders, invoices)',
      'Estimates valid for (days)',
      'Region',
      'Time zone',
      'Paper size',
      'Color',
    ],
    also: ['locale', 'decimal comma', 'date order', 'logo', 'bank account', 'letterhead', 'A4', 'letter'],
  },
  {
    id: 'payments',
    title: 'Payment defaults',
    about: 'Due dates, discounts, deposits, layaway, installments, late fees, reminders',
    fields: [
      'Payment due in (days)',
      'Early-payment discount, %',
      'If paid within (days)',
      'Deposit, %',
      'Layaway: first payment, %',
      'Layaway: pay in full within (months)',
      'Layaway: payment every',
      'Layaway: grace period (days)',
      'Layaway: cancellation fee, %',
      'Installments: number of payments',
      'Late fee, %',
      'Late fee after (days)',
      'Returned-check fee',
      'Warn on new sales when late by (days)',
      'Send reminders after (days late)',
      'Age columns (days)',
      'Smallest coin',
      'Sales tax is due when a deposit is received (not with the invoice)',
      'Reclaim sales tax when a debt is written off',
    ],
    also: ['net days', 'terms', 'rounding cash', 'bad debt'],
  },
  {
    id: 'selling',
    title: 'Selling and email',
    about: 'Types of sale, price lists, online shop, customers’ pages, mail server',
    fields: ['Types of sale', 'Price lists', 'Online shop', 'Links to customers’ pages', 'Sending email'],
    also: ['SMTP', 'kinds', 'levels', 'shop'],
  },
  {
    id: 'places',
    title: 'Places',
    about: 'Where goods lie: shop, bench, store room, van',
    fields: ['Places'],
    also: ['location', 'shelf', 'warehouse', 'store room'],
  },
  {
    id: 'tax',
    title: 'Taxes and books',
    about: 'Tax codes and rates, tax regions, first day of the books',
    fields: [
      'Tax codes',
      'Tax regions',
      'Books and prices',
      'Prices of new sales include tax',
      'Round tax of new sales',
    ],
    also: ['rate', 'VAT', 'sales tax', 'opening date'],
  },
  {
    id: 'access',
    title: 'Passphrase and access',
    about:
      'Your passphrase, one-time codes, where you are signed in, tokens for other programs, and telling them what happens',
    fields: [
      'Current passphrase',
      'New passphrase',
      'One-time codes',
      'Where you are signed in',
      'Access for other programs (API tokens)',
      'Telling other programs (webhooks)',
    ],
    also: ['password', 'security', 'sign in', 'two factors', 'authenticator app', 'sign out', 'sessions', 'browser'],
  },
  {
    id: 'data',
    title: 'Your data',
    about: 'Backups, and everything in one file',
    fields: ['Backups', 'Take everything along', 'Calendar'],
    also: ['export', 'backup', 'JSON'],
  },
  {
    id: 'papers',
    title: 'Document layouts',
    about: 'What stands on each document, in which order',
    fields: [],
    also: ['columns', 'PDF', 'invoice', 'estimate', 'receipt', 'statement'],
  },
  {
    id: 'letters',
    title: 'Email wording',
    about: 'The text of each email, in each language',
    fields: [],
    also: ['template', 'reminder text', 'languages'],
  },
] as const satisfies readonly SettingsSection[]

export type SectionId = (typeof SETTINGS_SECTIONS)[number]['id']

export interface Hit {
  readonly section: SettingsSection
  /** What matched; null where the section as a whole did. */
  readonly field: string | null
}

/** Where what somebody looks for is set: each field that has all the words, else the section that is about them. */
export const findSettings = (typed: string): readonly Hit[] => {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean)
  if (words.length === 0) return []
  const has = (text: string): boolean => words.every((w) => text.toLowerCase().includes(w))
  return SETTINGS_SECTIONS.flatMap((section: SettingsSection): Hit[] => {
    const fields = section.fields.filter(has)
    if (fields.length > 0) return fields.map((field) => ({ section, field }))
    return has([section.title, section.about, ...section.also].join(' ')) ? [{ section, field: null }] : []
  })
}
