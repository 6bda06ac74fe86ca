/** Money in, with who it is from filled in, and the sale whose own things are paid first. */
export const moneyInHref = (customerId: number, saleId?: number): string =>
  `/money-in?customer=${customerId}${saleId === undefined ? '' : `&sale=${saleId}`}`
