import { putInBasketInput, tellBasketInput, orderBasketInput } from '@/contract/inputs/shopfront/basket'
import { present } from '@/core/present'
import type { z } from 'zod'
import {
  countBasketsOf,
  dropOldBaskets,
  findBasketOf,
  insertBasket,
  listBasketLines,
  lockBasket,
  setBasketLine,
  touchBasket,
  type BasketRow,
} from '@/data/queries/baskets'
import { findByEmail, insertCustomer } from '@/data/queries/customers'
import { findGoods } from '@/data/queries/goods'
import { countShopOrders } from '@/data/queries/sales'
import { addDays } from '@/core/day'
import { hashToken } from '../access/secrets'
import { defineCommand, type Work } from '../command'
import { askPayment } from '../money/cardPayment'
import { customerFor } from '../people/customerFor'
import { found, refuse, refuseAt } from '@/contract/refuse'
import { writeLetterIn } from '../post/writeLetter'
import { writeAgreement } from '../sales/agreeSale'
import { fillLines } from '../sales/fillLines'
import { offerIn } from '../sales/offerSale'
import { refreshSale } from '../sales/refreshSale'
import { takeSale } from '../sales/saleWork'
import { showsTax, usualArrangement, writeSale } from '../sales/startSale'
import { readBasket } from './readShop'
import { keepArrangement } from '@/contract/arrangement'
type Whose = { readonly basketId?: number; readonly secret?: string }

/** So many orders of strangers may wait for an answer on a day, so many from one address; so many baskets may be begun. */
const LIMITS = { aDay: 40, anAddress: 3, basketsADay: 500 }
/** So many different things a basket holds, and how long it is kept where nobody orders. */
const MOST_LINES = 60
const BASKET_DAYS = 30

const mustBeOpenShop = (w: Work): void => {
  if (!w.business.shopfrontOpen) refuse({ code: 'shopfront-closed' })
}

/** The basket, taken for this transaction. A browser's first touch makes it. */
const takeBasket = async (w: Work, { basketId, secret }: Whose, make = false): Promise<BasketRow> => {
  if (basketId !== undefined) {
    const basket = found(await lockBasket(w.tx, basketId), 'basket', basketId)
    return basket.saleId === null ? basket : refuse({ code: 'basket-gone' })
  }
  mustBeOpenShop(w)
  const tokenHash = hashToken(secret ?? '')
  const there = await findBasketOf(w.tx, tokenHash)
  if (there) return present(await lockBasket(w.tx, there.id))
  if (!make) return refuse({ code: 'basket-gone' })
  if ((await countBasketsOf(w.tx, w.today)) >= LIMITS.basketsADay) refuse({ code: 'shop-full' })
  await dropOldBaskets(w.tx, addDays(w.today, -BASKET_DAYS))
  return present(await lockBasket(w.tx, await insertBasket(w.tx, { tokenHash, startedOn: w.today })))
}

const answerBasket = (w: Work, basketId: number) => ({
  id: basketId,
  answer: async () => present(await readBasket(w.tx, basketId, w.business, w.today)),
})

/** So many of a thing in the basket; none takes it out. Both sides may do it. */
export const putInBasket = defineCommand(
  'put-in-basket',
  putInBasketInput,
  async (w, { goodsId, quantity, ...which }) => {
    const basket = await takeBasket(w, which, true)
    const thing = found((await findGoods(w.tx, [goodsId])).get(goodsId), 'goods', goodsId)
    // A customer takes what stands on the shopfront; the owner may put anything in for them.
    if (which.basketId === undefined && (!thing.onShopfront || thing.retired))
      refuse({ code: 'not-found', what: 'goods', id: goodsId })
    if (quantity.gt(999)) refuseAt('quantity', 'At most 999. Call us for more.')
    const lines = await listBasketLines(w.tx, basket.id)
    if (lines.length >= MOST_LINES && quantity.gt(0) && !lines.some((l) => l.goodsId === goodsId))
      refuseAt('goodsId', `At most ${MOST_LINES} different things. Call us for more.`)
    await setBasketLine(w.tx, basket.id, goodsId, quantity)
    await touchBasket(w.tx, basket.id)
    return answerBasket(w, basket.id)
  },
)

/** Who it is for and where it goes. */
export const tellBasket = defineCommand('tell-basket', tellBasketInput, async (w, given) => {
  const { basketId, secret, ...told } = given
  const basket = await takeBasket(w, { basketId, secret }, true)
  await touchBasket(w.tx, basket.id, Object.fromEntries(Object.entries(told).filter(([, v]) => v !== undefined)))
  return answerBasket(w, basket.id)
})

interface Orderer {
  readonly customerId: number
  /** Nobody has shown to be that customer: only somebody who typed their address. */
  readonly unproved: boolean
}

/** Who a basket is for: whom the owner names, else the customer with its e-mail (who may be anybody), else somebody new. */
const ordererOf = async (w: Work, basket: BasketRow, named: number | undefined): Promise<Orderer> => {
  if (named !== undefined) return { customerId: named, unproved: false }
  const known = basket.email ? await findByEmail(w.tx, basket.email) : null
  if (known !== null) return { customerId: known, unproved: true }
  const { name, email, phone } = basket
  return { customerId: await insertCustomer(w.tx, { name, email, phone, since: w.today }), unproved: false }
}

/** Strangers cannot fill the book of orders: so many a day, and so many from one address. */
const refuseFlood = async (w: Work, basket: BasketRow): Promise<void> => {
  const { today, fromAddress } = await countShopOrders(w.tx, basket.email, w.today)
  if (today >= LIMITS.aDay || fromAddress >= LIMITS.anAddress) refuse({ code: 'shop-full' })
}

const mustBeTold = (basket: BasketRow, wish: z.output<typeof orderBasketInput>): void => {
  if (wish.customerId !== undefined) return
  if (basket.name === '') refuseAt('name', 'A name is needed.')
  if (!basket.email && wish.basketId === undefined)
    refuseAt('email', 'An e-mail address is needed, for the confirmation.')
}

/**
 * Makes a sale of a basket, without retyping. The owner's order stands at once. A stranger's is an offer at list prices,
 * paid first, that sets nothing aside: it becomes an order when its card payment comes and nobody else's name is on it,
 * when the owner says so, or when the customer does by the link that is mailed to the address on file.
 */
export const orderBasket = defineCommand('order-basket', orderBasketInput, async (w, wish) => {
  const byOwner = wish.basketId !== undefined
  const basket = await takeBasket(w, wish)
  const lines = await listBasketLines(w.tx, basket.id)
  if (lines.length === 0) refuse({ code: 'basket-empty' })
  if (basket.turn !== wish.turn) refuse({ code: 'basket-moved' })
  mustBeTold(basket, wish)
  if (!byOwner) await refuseFlood(w, basket)
  const orderer = await ordererOf(w, basket, byOwner ? wish.customerId : undefined)
  const customer = await customerFor(w, orderer.customerId)
  const pricesIncludeTax = byOwner ? await showsTax(w, customer) : w.business.pricesIncludeTax
  const { saleId } = await writeSale(w, {
    customer,
    on: w.today,
    lines: await fillLines(
      w,
      lines.map((l) => ({ goodsId: l.goodsId, quantity: l.quantity })),
      // Nobody gets another's prices or tax by typing their address, and everybody pays what the shopfront says.
      { customer, asListed: !byOwner, on: w.today, pricesIncludeTax, deliverTo: basket.deliverTo },
    ),
    title: '',
    channel: 'shopfront',
    kind: w.business.kinds[0] ?? 'sales',
    note: basket.note,
    // What was typed is kept as it was typed; an address on file is not shown to whoever did not bring it.
    billTo: byOwner ? undefined : basket.name,
    deliverTo: basket.deliverTo || (byOwner ? undefined : basket.name),
    pricesIncludeTax,
    wantedBy: null,
    arrangement: keepArrangement(
      byOwner && wish.pay === 'bill' ? usualArrangement(customer) : { kind: 'deposit', percent: '100' },
    ),
    agreedOn: null,
  })
  const { sale, totals } = await refreshSale(w, saleId)
  if (wish.total !== undefined && w.money(wish.total, 'total').minor !== totals.gross.minor)
    refuse({ code: 'basket-moved' })
  if (byOwner)
    await writeAgreement(w, await takeSale(w, saleId), {
      on: w.today,
      by: customer.name,
      how: 'on the shopfront',
    })
  else await offerIn(w, saleId, { sentOn: w.today, validUntil: addDays(w.today, w.business.estimateDays) })
  await touchBasket(w.tx, basket.id, { saleId })
  if (orderer.unproved && customer.email)
    await writeLetterIn(w, { paper: 'estimate', paperId: saleId, to: customer.email })
  const reference =
    wish.pay === 'card' ? await askPayment(w, { customerId: customer.id, saleId, amount: totals.gross }) : null
  return {
    id: saleId,
    answer: async () => ({ saleId, number: sale.number, customerId: customer.id, reference }),
  }
})
