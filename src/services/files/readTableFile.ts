import { refuseAt } from '@/contract/refuse'
import { runApart } from '@/workers/runApart'
import { readTable, type FileTable } from './tableFile'

export type { FileTable }

/** What is said of a file of which the process that read it ended. */
export const TOO_MUCH =
  'This file is too much to be read: it takes too long, or is too large unpacked. Split it, or save it as CSV.'

/** Reads a CSV or XLSX file in a process of its own. A file that is neither, or too much, is refused with why. */
export const readTableFile = async (base64: string): Promise<FileTable> => {
  const read = await runApart('tables', new Uint8Array(Buffer.from(base64, 'base64')), readTable)
  if (read?.ok) return read.table
  return refuseAt('base64', read?.message ?? TOO_MUCH)
}
