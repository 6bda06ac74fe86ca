import { Temporal } from 'temporal-polyfill'
import { day, type Day } from '@/core/day'

/** The business date: pinned by TILL_TODAY, else the calendar day where the program runs. Asked once, at the edge. */
export const businessDate = (): Day => day(process.env.TILL_TODAY || Temporal.Now.plainDateISO().toString())
