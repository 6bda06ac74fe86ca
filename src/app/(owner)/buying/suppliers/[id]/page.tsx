import type { Metadata } from 'next'
import { notFound } from 'next/navigation'
import { bills } from '@/api/lists/buying'
import type { Day } from '@/core/day'
import { formatDigits } from '@/core/locale'
import { formatMoney } from '@/core/money'
import { readSupplierPage } from '@/model/buying/supplierPage'
import { PaySupplier } from '@/ui/buying/PaySupplier'
import { SetOff } from '@/ui/buying/SetOff'
import { SupplierForm } from '@/ui/buying/SupplierForm'
import { SupplierRefund } from '@/ui/buying/SupplierRefund'
import { TakenRows } from '@/ui/buying/TakenRows'
import { ByMistake } from '@/ui/ByMistake'
import { Facts } from '@/ui/Facts'
import { Heading } from '@/ui/Heading'
import { ListRows } from '@/ui/list/ListView'
import { To } from '@/ui/To'
import { openList } from '../../../_list'
import { idFrom, openShop } from '../../../_shop'

export const metadata: Metadata = { title: 'Supplier' }

export default async function SupplierPage({ params }: { params: Promise<{ id: string }> }) {
  const shop = await openShop()
  const page = (await readSupplierPage(shop, await idFrom(params))) ?? notFound()
  const { supplier, facts, draft, asCustomer, codes } = page
  const only = `supplier=${supplier.id}`
  const open = await openList(
    bills,
    shop,
    { supplier: String(supplier.id), show: 'open' },
    `/buying/suppliers/${supplier.id}`,
  )
  return (
    <>
      <Heading
        above="Supplier"
        title={supplier.name}
        action={
          <>
            <To className="btn" href={`/buying/bills/new?supplier=${supplier.id}`}>
              Enter bill
            </To>
            <PaySupplier
              supplierId={supplier.id}
              name={supplier.name}
              {...page.toPay}
              currency={shop.currency}
              today={shop.today}
            />
            <To className="btn" href={`/buying/new?supplier=${supplier.id}`}>
              New purchase order
            </To>
          </>
        }
      />
      <Facts
        facts={[
          ['Owed to them', formatDigits(supplier.owed), `/buying/bills?show=open&${only}`],
          ['Late', formatDigits(supplier.late), `/buying/bills?show=late&${only}`],
          ['Paid in advance', formatDigits(supplier.ahead), `/buying/payments?${only}`],
          ['On order', formatMoney(facts.onOrder), `/buying?${only}`],
          ['Bought in a year', formatMoney(facts.bought), `/buying/bills?from=${facts.since}&${only}`],
          ...(facts.delivers
            ? [['Delivers in', `${facts.delivers.days} ${facts.delivers.days === 1 ? 'day' : 'days'}`] as const]
            : []),
        ]}
      />
      <BothSides of={page} shop={shop} />
      <div className="grid gap-x-10 gap-y-7 lg:grid-cols-[360px_1fr]">
        <section>
          <h2>Details</h2>
          <SupplierForm
            key={JSON.stringify(draft)}
            id={supplier.id}
            edition={supplier.edition}
            start={draft}
            customer={asCustomer?.name}
            codes={codes}
          />
          {page.unused && <ByMistake path={`/suppliers/${supplier.id}`} what={supplier.name} go="/buying/suppliers" />}
        </section>
        <section className="min-w-0">
          <h2>Unpaid bills</h2>
          {/* Whose they are is said above. */}
          <ListRows open={{ ...open, columns: open.columns.filter((c) => c.key !== 'supplier') }} about={shop} />
          <p className="links mt-3">
            <To className="underline" href={`/buying?supplier=${supplier.id}`}>
              Purchase orders
            </To>
            <To className="underline" href={`/buying/received?supplier=${supplier.id}`}>
              Goods received
            </To>
            <To className="underline" href={`/buying/bills?supplier=${supplier.id}`}>
              All bills
            </To>
            <To className="underline" href={`/buying/payments?supplier=${supplier.id}`}>
              Payments
            </To>
          </p>
          <Taken of={page} today={shop.today} />
        </section>
      </div>
    </>
  )
}

type Page = NonNullable<Awaited<ReturnType<typeof readSupplierPage>>>

interface BothProps {
  readonly of: Page
  readonly shop: Awaited<ReturnType<typeof openShop>>
}

/** What lies with them in advance, and what they owe as a customer: each with what can be done about it. */
const BothSides = ({ of: { supplier, asCustomer }, shop }: BothProps) => (
  <>
    {Number(supplier.ahead) > 0 && (
      <p className="mb-5 flex flex-wrap items-center gap-x-4 gap-y-2">
        <span>{formatDigits(supplier.ahead)} was paid in advance and is not used.</span>
        <SupplierRefund
          supplierId={supplier.id}
          name={supplier.name}
          ahead={supplier.ahead}
          currency={shop.currency}
          today={shop.today}
        />
      </p>
    )}
    {asCustomer && (
      <p className="mb-5 flex flex-wrap items-center gap-x-4 gap-y-2">
        <span>
          As a customer{' '}
          <To className="underline" href={`/people/${asCustomer.id}`}>
            {asCustomer.name}
          </To>{' '}
          owes {formatDigits(asCustomer.owed)}.
        </span>
        {asCustomer.both && (
          <SetOff
            supplierId={supplier.id}
            name={supplier.name}
            owed={asCustomer.owed}
            owe={supplier.owed}
            currency={shop.currency}
            today={shop.today}
          />
        )}
      </p>
    )}
  </>
)

/** What was set off and what came back, each with its way back. */
const Taken = ({ of: { asCustomer, refunds }, today }: { readonly of: Page; readonly today: Day }) => (
  <>
    <TakenRows
      title="Set off"
      kind="set-off"
      rows={asCustomer?.setOffs ?? []}
      links={(r) => (
        <>
          <To className="mr-3 underline" href={`/receipts/${r.receiptId}`}>
            {r.receipt}
          </To>
          <To className="underline" href={`/buying/payments/${r.paymentId}`}>
            {r.payment}
          </To>
        </>
      )}
      today={today}
    />
    <TakenRows
      title="Money back"
      kind="refund"
      rows={refunds}
      links={(r) => (
        <To className="underline" href={`/books/entries/${r.entryId}`}>
          {r.account}
        </To>
      )}
      today={today}
    />
  </>
)
