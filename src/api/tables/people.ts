import { type Asked, type Table, everyPage, PAGE, m } from '@/api/tables/table'
import { listCustomers } from '@/data/queries/customers'
import { readUsual } from '@/model/sale/usualGoods'

export const customers = async ({ db, business, today }: Asked): Promise<Table> => {
  const rows = await everyPage((last: Awaited<ReturnType<typeof listCustomers>>[number] | undefined) =>
    listCustomers(db, {}, { limit: PAGE, after: last }, { today, currency: business.currency }),
  )
  return {
    columns: ['id', 'name', 'contact', 'email', 'phone', 'kind', 'owed', 'late', 'held'],
    rows: rows.map((c) => [String(c.id), c.name, c.contact, c.email, c.phone, c.kind, m(c.owed), m(c.late), m(c.held)]),
  }
}

export const usual = async ({ db, business, today, query }: Asked): Promise<Table> => {
  const rows = (await readUsual(db, Number(query.get('customer')) || 0, business, today, 500)) ?? []
  return {
    columns: [
      'code',
      'name',
      'lastOn',
      'lastQuantity',
      'lastPrice',
      'times',
      'quantity',
      'perMonth',
      'available',
      'price',
    ],
    rows: rows.map((u) => [
      u.standing.goods.code,
      u.standing.goods.name,
      u.lastOn,
      u.lastQuantity.toString(),
      u.lastPrice.toString(),
      String(u.times),
      u.quantity.toString(),
      u.perMonth.toString(),
      u.standing.available.toString(),
      u.price,
    ]),
  }
}
