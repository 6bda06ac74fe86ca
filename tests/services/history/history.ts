import { sql } from 'drizzle-orm'
import { expect } from 'vitest'
import { addDays, day, type Day } from '@/core/day'
import { toDecimalString } from '@/core/money'
import type { Command } from '@/services/command'
import type { TestShop } from '../shop'
import { MOVES } from './moves'
import type { ToldGoods } from './pieces'
import type { Step } from './steps'

interface Posted {
  readonly text: string
  readonly lines: unknown
}

/** A business whose papers come in any order: what is refused is skipped and counted. */
export class History {
  today: Day = day('2026-03-01')
  done = 0
  readonly refused = new Map<string, number>()

  constructor(
    public shop: TestShop,
    public told: ToldGoods,
  ) {}

  /** Runs a command; every third is previewed first: what it said it would post, it posts, and looking changed nothing. */
  async attempt<I, A>(command: Command<I, A>, input: I): Promise<string> {
    const till = { db: this.shop.db, today: this.today }
    const seen = this.done % 3 === 0 ? await command.preview(till, input) : null
    const [before] = await this.shop.db.execute<{ id: number }>(sql`select coalesce(max(id), 0)::int as id from entry`)
    const result = await command.run(till, input)
    const outcome = result.ok ? 'done' : result.error.code
    if (seen) {
      expect(seen.ok ? 'done' : seen.error.code).toBe(outcome)
      const told = seen.ok
        ? seen.value.entries.map((e) => ({
            text: e.text,
            lines: e.lines.map((l) => [l.code, l.amount.minor.toString()]),
          }))
        : []
      expect(told).toEqual(await this.#postedSince(before!.id))
    }
    if (result.ok) this.done++
    else this.refused.set(outcome, (this.refused.get(outcome) ?? 0) + 1)
    return outcome
  }

  /** How many commands were refused. */
  get turnedAway(): number {
    return [...this.refused.values()].reduce((sum, n) => sum + n, 0)
  }

  async #postedSince(id: number): Promise<Posted[]> {
    const posted = await this.shop.db.execute<Posted & Record<string, unknown>>(sql`
      select e.text, (select json_agg(json_build_array(a.code, l.amount::text) order by l.id)
                        from entry_line l join account a on a.id = l.account_id where l.entry_id = e.id) as lines
        from entry e where e.id > ${id} order by e.id`)
    return posted.map(({ text, lines }) => ({ text, lines }))
  }

  /** One of the last six papers of a kind; 0, which is none, where there is none yet. */
  async idOf(table: string, pick: number): Promise<number> {
    const rows = await this.shop.db.execute<{ id: number }>(
      sql`select id from ${sql.identifier(table)} order by id desc limit 6`,
    )
    return rows.length === 0 ? 0 : rows[pick % rows.length]!.id
  }

  async play(x: Step): Promise<unknown> {
    this.today = addDays(this.today, x.later)
    const { violin, rosin, setUp } = this.shop
    const { strings, glue, bow, viola, outfit, duo } = this.told
    return MOVES[x.kind](this, x, {
      on: x.back === 0 ? undefined : addDays(this.today, -x.back),
      saleId: await this.idOf('sale', x.pick),
      invoiceId: await this.idOf('invoice', x.pick),
      receiptId: await this.idOf('receipt', x.pick),
      dueId: await this.idOf('due', x.pick),
      amount: toDecimalString({ minor: BigInt(x.cents), currency: 'USD' }),
      lines: [
        {
          goodsId: [violin, rosin, setUp, strings, glue, bow, viola, outfit, outfit, duo, duo][(x.n + x.cents) % 11]!,
          quantity: String(x.n),
          discountPercent: x.flag ? '7.5' : '0',
        },
        { goodsId: rosin, quantity: '0.3333' },
        // So little each that every small bill is rounded.
        { description: 'Parts', quantity: String(3 * x.n), unitPrice: `0.0${1 + (x.cents % 9)}` },
      ],
    })
  }
}
