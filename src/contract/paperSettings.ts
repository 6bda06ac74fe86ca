/** The business as its papers show it. */
export interface PaperSettings {
  readonly name: string
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
