import { readTable, type ReadTable } from '@/services/files/tableFile'

/** A thread of its own that reads spreadsheets; see workers/runElsewhere. */
const work = (body: Uint8Array): Promise<ReadTable> => readTable(body)

export default work
