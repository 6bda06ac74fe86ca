import { readMark } from '@/services/files/markFile'
import { readApart } from './apart'

/** Tries the mark of a business in a process of its own. */
readApart(readMark)
