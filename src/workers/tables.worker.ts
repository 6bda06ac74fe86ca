import { readTable } from '@/services/files/tableFile'
import { readApart } from './apart'

/** Reads a spreadsheet in a process of its own. */
readApart(readTable)
