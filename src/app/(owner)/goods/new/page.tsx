import type { Metadata } from 'next'
import { listAccounts } from '@/data/queries/accounts'
import { readPlainTaxCodes } from '@/services/read/taxCodes'
import { GoodsForm } from '@/ui/goods/GoodsForm'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'New goods' }

export default async function NewGoods() {
  const { db, currency } = await openShop()
  const [codes, accounts] = await Promise.all([readPlainTaxCodes(db), listAccounts(db)])
  return (
    <>
      <Heading title="New goods" />
      <GoodsForm
        id={null}
        currency={currency}
        codes={codes.map((c) => c.code)}
        accounts={accounts
          .filter(
            (a) => a.kind === 'income' && (a.role === null || ['sales', 'work', 'charges'].includes(a.role)),
          )
          .map((a) => ({ code: a.code, name: a.name }))}
        start={{
          code: '',
          name: '',
          kind: 'stock',
          price: '',
          taxCode: codes[0]!.code,
          incomeAccount: '',
          barcode: '',
          note: '',
          retired: false,
        }}
      />
    </>
  )
}
