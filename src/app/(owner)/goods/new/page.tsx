import { present } from '@/core/present'
import type { Metadata } from 'next'
import { listIncomeAccounts } from '@/data/queries/accounts'
import { listPriceLevels } from '@/data/queries/prices'
import { readPlainTaxCodes } from '@/model/books/taxCodes'
import { NO_GOODS } from '@/ui/goods/goodsDraft'
import { GoodsForm } from '@/ui/goods/GoodsForm'
import { Heading } from '@/ui/Heading'
import { openShop } from '../../_shop'

export const metadata: Metadata = { title: 'New goods' }

export default async function NewGoods() {
  const { db, currency, today } = await openShop()
  const [codes, accounts, levels] = await Promise.all([
    readPlainTaxCodes(db, today),
    listIncomeAccounts(db),
    listPriceLevels(db),
  ])
  return (
    <>
      <Heading title="New goods" />
      <GoodsForm
        id={null}
        currency={currency}
        today={today}
        codes={codes.map((c) => c.code)}
        accounts={accounts}
        levels={levels.map((l) => ({ code: l.code, name: l.name }))}
        start={{ ...NO_GOODS, taxCode: present(codes[0]).code }}
      />
    </>
  )
}
