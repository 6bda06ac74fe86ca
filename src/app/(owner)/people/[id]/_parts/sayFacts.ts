import { formatPercent } from '@/core/locale'
import { languageName } from '@/core/names'
import { formatDay, sayDays } from '@/core/day'
import { formatMoney } from '@/core/money'
import type { CustomerPage } from '@/model/people/customers'

/** How they pay, at which prices and in which language, in a line. */
export const sayFacts = ({ customer, priceLevelName }: Pick<CustomerPage, 'customer' | 'priceLevelName'>): string =>
  [
    customer.taxExempt
      ? `exempt from tax${customer.exemptNumber ? `, ${customer.exemptNumber}` : ''}${customer.exemptUntil ? ` until ${formatDay(customer.exemptUntil)}` : ''}`
      : '',
    customer.terms.net > 0 ? `pays in ${sayDays(customer.terms.net)}` : 'due on invoice',
    customer.terms.discountPercent
      ? `${formatPercent(String(Number(customer.terms.discountPercent)))} within ${sayDays(customer.terms.discountDays ?? 0)}`
      : '',
    customer.creditLimit ? `credit limit ${formatMoney(customer.creditLimit)}` : '',
    priceLevelName ? `price list: ${priceLevelName}` : '',
    customer.language === 'en' ? '' : `documents in ${languageName(customer.language)}`,
  ]
    .filter(Boolean)
    .join(' · ')
