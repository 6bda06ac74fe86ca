import { readCardsFile } from '@/services/people/cards'
import { readApart } from './apart'

/** Reads cards of an address book in a process of its own. */
readApart(readCardsFile)
