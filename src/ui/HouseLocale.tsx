'use client'
import type { ReactNode } from 'react'
import { houseLocale, writeAs, type Locale } from '@/core/locale'

/** Everything inside writes numbers and reads dates as the business does. It is drawn before what stands in it. */
export const HouseLocale = ({ locale, children }: { readonly locale: Locale; readonly children: ReactNode }) => {
  if (houseLocale().tag !== locale.tag) writeAs(locale)
  return children
}
