/** The places of the program, in their order. Alt and the number go there. */
export const PLACES = [
  { key: '1', name: 'Today', href: '/today' },
  { key: '2', name: 'Counter', href: '/counter' },
  { key: '3', name: 'Sales', href: '/sales' },
  { key: '4', name: 'Money in', href: '/money-in' },
  { key: '5', name: 'Owed', href: '/owed' },
  { key: '6', name: 'Goods', href: '/goods' },
  { key: '7', name: 'Buying', href: '/buying' },
  { key: '8', name: 'People', href: '/people' },
  { key: '9', name: 'Books', href: '/books' },
] as const
export const POST = { name: 'Mail', href: '/post' } as const
export const SETTINGS = { name: 'Settings', href: '/settings' } as const

/** Whatever has a page of its own, found by the beginning of its name. */
export const PAGES: readonly { readonly name: string; readonly href: string }[] = [
  ...PLACES,
  POST,
  SETTINGS,
  { name: 'Month’s end', href: '/books/month' },
  { name: 'Opening balances', href: '/books/opening' },
  { name: 'Budget', href: '/books/budget' },
  { name: 'Profit and loss', href: '/books?view=profit-and-loss' },
  { name: 'Balance sheet', href: '/books?view=balance-sheet' },
  { name: 'Cash flow', href: '/books?view=cash-flow' },
  { name: 'Trial balance', href: '/books?view=trial-balance' },
  { name: 'Tax', href: '/books?view=tax' },
  { name: 'Accounts', href: '/books?view=accounts' },
  { name: 'Bank statements', href: '/money-in/statements' },
  { name: 'Drawer', href: '/money-in/drawer' },
  { name: 'Suppliers', href: '/buying/suppliers' },
]
