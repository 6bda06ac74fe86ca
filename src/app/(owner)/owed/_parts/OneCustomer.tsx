import { openItems } from '@/api/lists/money'
import { readCustomerName } from '@/model/people/customerForm'
import { To } from '@/ui/To'
import { notFound } from 'next/navigation'
import { formatDay, type Day } from '@/core/day'
import { ChaseCustomer } from '@/ui/owed/ChaseCustomer'
import { readNextReminder } from '@/model/receivables/nextReminder'
import { ListExport } from '@/ui/list/ListExport'
import { ListRows } from '@/ui/list/ListView'
import { openList } from '../../_list'
import { openShop } from '../../_shop'

/** What one customer had open: the way down from the table to invoices and entries. */
export const OneCustomer = async ({ customerId, asOf, today }: { customerId: number; asOf: Day; today: Day }) => {
  const shop = await openShop()
  const { db, business, currency } = shop
  const [customer, list, reminder] = await Promise.all([
    readCustomerName(shop, String(customerId)),
    openList(openItems, shop, { customer: String(customerId), asOf }),
    readNextReminder(db, customerId, business, today),
  ])
  if (!customer) notFound()
  return (
    <section id="customer" className="mt-7 border-l-4 border-rust-600 bg-paper-100 p-4">
      <div className="mb-1 flex items-end justify-between gap-3">
        <h2>
          <To className="hover:underline" href={`/people/${customerId}`}>
            {customer.name}
          </To>
        </h2>
        <ListExport name="open-items" query={list.query} />
      </div>
      <ListRows open={list} about={shop} />
      <ChaseCustomer
        customerId={customerId}
        name={customer.name}
        currency={currency}
        stage={reminder?.stage ?? null}
        from={reminder?.wait ? formatDay(reminder.wait) : null}
      />
    </section>
  )
}
