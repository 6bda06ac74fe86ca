import { readStatement } from '@/services/bank/readStatementFile'
import { readApart } from './apart'

/** Reads a statement of a bank in a process of its own. */
readApart(readStatement)
