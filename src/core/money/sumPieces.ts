import { decimal } from './decimal'
import { sumMoney, type Money } from './money'
import { multiplyMoney } from './roundToMoney'

/**
 * What counted notes and coins come to: how many there are of each worth. Exact; nothing counted is nothing.
 *
 * @example sumPieces([[money(2000n, 'USD'), 3], [money(25n, 'USD'), 2]], 'USD') // 60.50
 */
export const sumPieces = (pieces: readonly (readonly [worth: Money, count: number])[], currency: string): Money =>
  sumMoney(
    pieces.map(([worth, count]) => multiplyMoney(worth, decimal(count))),
    currency,
  )
