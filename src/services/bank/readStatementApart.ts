import { habitsOf } from '@/core/cells'
import { localeOf } from '@/core/locale'
import type { CsvFormat } from '@/core/bank'
import { err } from '@/core/result'
import type { Business } from '@/data/queries/business'
import { runApart } from '@/workers/runApart'
import { readStatement, type StatementFile } from './readStatementFile'

/** A statement from the bytes of a file, read by a process of its own, as the region of the business and the bank of an account write it. */
export const readStatementApart = async (
  bytes: Uint8Array,
  { currency, locale }: Business,
  table: CsvFormat | null,
): Promise<StatementFile> => {
  const about = { currency, habits: habitsOf(localeOf(locale)), table }
  return (await runApart('statements', { bytes, about }, readStatement)) ?? { read: err({ why: 'too-much' }) }
}
