import { findSales, type SaleRow } from '@/data/queries/sales'
import { z } from 'zod'
import type { Day } from '@/core/day'
import { money, toDecimalString, type Money } from '@/core/money'
import { compareVersions, type ComparedLine } from '@/core/sale'
import type { Db } from '@/data/connect'
import { versionLine, type VersionLine } from './versionLine'
import { listVersions } from '@/data/queries/saleVersion'

export interface Version {
  readonly n: number
  readonly kind: 'offered' | 'agreed' | 'changed'
  readonly on: Day
  readonly validUntil: Day | null
  readonly gross: Money
  readonly less: Money
  readonly lines: readonly VersionLine[]
}

export const versionsOf = (rows: Awaited<ReturnType<typeof listVersions>>, currency: string): Version[] =>
  rows.map((v) => ({
    n: v.n,
    kind: v.kind,
    on: v.onDay,
    validUntil: v.validUntil,
    gross: money(v.gross, currency),
    less: money(v.less, currency),
    lines: z.array(versionLine).parse(v.lines),
  }))

/** Every version of a sale that was sent or agreed, the first one first. */
export const readVersions = async (db: Db, saleId: number, currency: string): Promise<Version[]> =>
  versionsOf(await listVersions(db, saleId), currency)

export const viewOfVersion = (v: Version) => ({
  ...v,
  gross: toDecimalString(v.gross),
  less: toDecimalString(v.less),
})

export interface Comparison {
  readonly sale: SaleRow
  readonly before: Version
  readonly now: Version
  readonly lines: readonly ComparedLine[]
}

/** Two versions beside each other; the last two where none are named. Null where there are not two. */
export const readComparison = async (
  db: Db,
  saleId: number,
  wish: { readonly before?: number; readonly now?: number },
  currency: string,
): Promise<Comparison | null> => {
  const [[sale], versions] = await Promise.all([findSales(db, [saleId], currency), readVersions(db, saleId, currency)])
  const now = versions.find((v) => v.n === (wish.now ?? versions.at(-1)?.n))
  const before = versions.find((v) => v.n === (wish.before ?? (now ? now.n - 1 : 0)))
  return sale && now && before ? { sale, before, now, lines: compareVersions(before.lines, now.lines) } : null
}
