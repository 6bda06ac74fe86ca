import { smallerMoney, subtractMoney, type Money } from '../money'
import type { Part } from './arrangement'
import { partOf } from './installments'

/**
 * What the stages of a deposit come to, in their order: each a part of the whole, rounded once; the last never asks for
 * more than is left, so that they never come to more than the total. Below: never negative where the parts are not.
 *
 * @example depositStages(usd('100.00'), [{ percent: decimal(30) }, { percent: decimal(40) }]) // 30.00, 40.00
 * @example depositStages(usd('100.00'), [{ amount: usd('80.00') }, { percent: decimal(50) }]) // 80.00, 20.00
 */
export const depositStages = (total: Money, stages: readonly Part[]): Money[] => {
  let left = total
  return stages.map((stage) => {
    const amount = smallerMoney(partOf(total, stage), left)
    left = subtractMoney(left, amount)
    return amount
  })
}
