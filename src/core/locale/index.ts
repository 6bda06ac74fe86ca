export { EN_US, houseLocale, isLocale, LOCALES, localeOf, usesLetterPaper, writeAs, type Locale } from './locale'
export { formatCount, formatDigits, formatPercent, plainDigits, typeDigits } from './formatDigits'
