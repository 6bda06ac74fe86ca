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
