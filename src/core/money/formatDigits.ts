/**
 * A plain decimal string as a person reads it: thousands set apart, a minus that is no hyphen. Nothing is rounded, and
 * text that is set apart already stays as it is.
 *
 * @example formatDigits('7510.25') // 7,510.25
 * @example formatDigits('-1250') // −1,250
 */
export const formatDigits = (text: string): string => {
  const [whole = '', ...part] = text.split('.')
  return [whole.replace(/\B(?=(\d{3})+(?!\d))/g, ','), ...part].join('.').replace('-', '−')
}
