import { addTaxCode } from '@/services/books/addTaxCode'
import { changeSettings } from '@/services/access/changeSettings'
import { openTestShop, type TestShop } from '../shop'
import { addMaker } from './buying'
import { addDuo, addOutfit, addToldGoods, type ToldGoods } from './pieces'

/** Businesses that differ in every switch that moves money: tax beside or in the price, on deposits or not, coins of one or five. */
export const KINDS_OF_BUSINESS = [
  { setup: {}, settings: {} },
  {
    setup: {
      pricesIncludeTax: true,
      taxCodes: [
        {
          code: 'STD',
          name: 'Sales tax',
          components: [
            { name: 'State', rate: '0.07' },
            { name: 'City', rate: '0.0225' },
          ],
        },
      ],
    },
    settings: { taxOnDeposits: true, smallestCoin: 5 },
  },
] as const

/** One of them, with tax of one's own on what is bought abroad, and all goods that histories are told of. */
export const openKind = async ({
  setup,
  settings,
}: (typeof KINDS_OF_BUSINESS)[number]): Promise<{ shop: TestShop; told: ToldGoods }> => {
  const shop = await openTestShop(setup)
  await shop.run(addTaxCode, {
    code: 'RC',
    name: 'From abroad',
    treatment: 'reverse-charge',
    components: [{ name: 'From abroad', rate: '0.19' }],
  })
  await shop.run(changeSettings, { ...settings, iban: 'GB82WEST12345698765432' })
  const told = await addToldGoods(shop)
  return {
    shop,
    told: { ...told, outfit: await addOutfit(shop, told), duo: await addDuo(shop), supplier: await addMaker(shop) },
  }
}
