import { runElsewhere } from '@/workers/runElsewhere'
import { refuse } from '@/contract/refuse'
import { readTable, type FileTable, type ReadTable } from './tableFile'

export type { FileTable }

/** Reads a CSV or XLSX file on another thread. A file that is neither, or too much, is refused with why. */
export const readTableFile = async (base64: string): Promise<FileTable> => {
  const body = new Uint8Array(Buffer.from(base64, 'base64'))
  const read = await runElsewhere<Uint8Array, ReadTable>('tables', body, readTable)
  return read.ok ? read.table : refuse({ code: 'invalid', errors: [{ path: 'base64', message: read.message }] })
}
