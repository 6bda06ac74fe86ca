/** The business as its papers show it. */
export interface PaperSettings {
  readonly name: string
  readonly locale: string
  readonly timeZone: string
  readonly address: string
  readonly phone: string
  readonly email: string
  readonly header: string
  readonly footer: string
  readonly conditions: string
  readonly taxNumber: string
  readonly iban: string
  readonly bic: string
  readonly paymentDetails: string
  readonly colour: string
  readonly paperSize: 'A4' | 'letter'
  readonly estimateDays: number
}

/** Of all that is known of the business, what its documents show: nothing else goes to the browser. */
export const paperSettingsOf = (b: PaperSettings): PaperSettings => ({
  name: b.name,
  locale: b.locale,
  timeZone: b.timeZone,
  address: b.address,
  phone: b.phone,
  email: b.email,
  header: b.header,
  footer: b.footer,
  conditions: b.conditions,
  taxNumber: b.taxNumber,
  iban: b.iban,
  bic: b.bic,
  paymentDetails: b.paymentDetails,
  colour: b.colour,
  paperSize: b.paperSize,
  estimateDays: b.estimateDays,
})
