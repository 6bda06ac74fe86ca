import { type DepositAsked, type Filling, fillOldest } from '@/core/receipt'
import type { Money } from '@/core/money'
import type { Day } from '@/core/day'
import type { DueRow } from '@/data/queries/due'
import { offered } from './offered'

/** What an amount that comes on a day pays, oldest first: dues with what comes off them that day, then deposits asked for. */
export const fillOldestOn = (
  dues: readonly DueRow[],
  deposits: readonly DepositAsked[],
  amount: Money,
  on: Day,
): Filling =>
  fillOldest(
    {
      dues: offered(
        dues.filter((d) => d.issuedOn <= on),
        on,
      ),
      deposits,
    },
    amount,
  )
