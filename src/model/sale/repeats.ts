import { REPEAT_EVERY_NAMES, REPEAT_MAKES_NAMES } from '@/core/names'
import { compareDays, addMonths, type Day } from '@/core/day'
import { toDecimalString, type Money } from '@/core/money'
import { repeatDays } from '@/core/sale'
import type { Db } from '@/data/connect'
import { rhythmView } from '../rhythm'
import type { Where } from '../where'
import { listRepeats, type RepeatRow } from '@/data/queries/repeats'

export type { RepeatRow }

export const viewOfRepeat = (r: RepeatRow) => ({
  id: r.id,
  saleId: r.saleId,
  saleNumber: r.saleNumber,
  customerId: r.customerId,
  customer: r.customerName,
  title: r.title,
  total: toDecimalString(r.total),
  ...rhythmView(r),
  makes: r.makes,
  byItself: r.byItself,
})

/** Everything that comes again, the next to come first. */
export const readRepeats = ({ db, currency }: Where) => listRepeats(db, {}, currency)

export interface Coming {
  readonly on: Day
  readonly repeat: RepeatRow
  readonly total: Money
}

/** What repeats will make in the months ahead, day by day. */
export const readComing = async (db: Db, today: Day, months: number, currency: string): Promise<Coming[]> =>
  (await listRepeats(db, { running: true }, currency))
    .flatMap((repeat) =>
      repeatDays(repeat, repeat.done, addMonths(today, months)).map((on) => ({
        on,
        repeat,
        total: repeat.total,
      })),
    )
    .sort((a, b) => compareDays(a.on, b.on) || a.repeat.id - b.repeat.id)

/** `every two weeks, an invoice that is issued by itself` */
export const sayRepeat = (r: Pick<RepeatRow, 'every' | 'makes' | 'byItself'>): string =>
  `${REPEAT_EVERY_NAMES[r.every]}, ${REPEAT_MAKES_NAMES[r.makes]} ${r.byItself ? 'sent automatically' : 'prepared for a look'}`
