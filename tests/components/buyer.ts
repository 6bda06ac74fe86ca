/** A customer as the form of a sale knows them. */
export const INES = {
  id: 5,
  name: 'Ines Marlowe',
  email: '',
  exempt: false,
  pricesIncludeTax: false,
  priceLevelName: '',
  owed: '0.00',
  late: '0.00',
  held: '0.00',
  creditLimit: '150.00',
  committed: '40.00',
  addresses: [],
}
