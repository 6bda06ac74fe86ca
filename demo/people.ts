/** How a customer pays: days after the due date on average, and how widely it scatters. */
export interface Habit {
  readonly late: number
  readonly spread: number
}

export interface DemoCustomer {
  readonly name: string
  readonly contact?: string
  readonly kind: 'player' | 'parent' | 'school' | 'orchestra' | 'shop'
  readonly net: number
  readonly habit: Habit
  readonly exempt?: boolean
  readonly discount?: boolean
  readonly creditLimit?: string
}

const PROMPT: Habit = { late: -4, spread: 4 }
const USUAL: Habit = { late: 9, spread: 9 }
const SLOW: Habit = { late: 38, spread: 22 }
const VERY_SLOW: Habit = { late: 84, spread: 36 }
const HABITS = [PROMPT, USUAL, USUAL, PROMPT, SLOW, USUAL]

const players = [
  'Hazel Adair',
  'Orla Vance',
  'Piers Hallow',
  'Ines Marlowe',
  'Tamsin Kerr',
  'Jonas Wrede',
  'Mirela Donat',
  'Oskar Lindqvarn',
  'Petra Valcek',
  'Rowan Ashby',
  'Sofia Brandt-Oyelaran',
  'Tobias Renn',
  'Una Corrigan',
  'Viktor Salmi',
  'Wanda Pruss',
  'Yara Haddock',
  'Zeno Quill',
  'Abel Thorne',
  'Brigid Mallory',
  'Caspar Lowe',
  'Dorothea Finch',
  'Emil Karst',
  'Fenna Dykstra',
  'Gideon Marsh',
  'Henrike Solberg',
  'Ivo Castellan',
]
const parents = [
  'Anneliese Mohr',
  'Benedict Okafor',
  'Clara Whitlow',
  'Daniel Esposito-Lund',
  'Elspeth Rourke',
  'Farid Noor',
  'Gretchen Paley',
  'Hamish Doyle',
  'Ilse Vandermeer',
  'Judith Akerman',
  'Kofi Brightwell',
  'Lena Strand',
]
const schools = [
  ['Brightwater School of Music', 'Ms. Prior'],
  ['Alder Street Primary', 'Mr. Nkemelu'],
  ['St. Wendel’s Academy', 'Sister Agnes'],
  ['Northgate High School', 'Ms. Ferreira'],
  ['Kestrel Hill Conservatory', 'Dr. Ambrose'],
  ['Riverside Strings Project', 'Jo Tennant'],
  ['Copperfield Middle School', 'Mr. Oduya'],
  ['Lakeland College', 'Ms. Varga'],
]
const groups = [
  ['Saltmarsh Youth Orchestra', 'Nell Carraway'],
  ['Lowfield Quartet', 'Hazel Adair'],
  ['County Chamber Players', 'Ruth Adeyemi'],
  ['The Tern Island Ceilidh Band', 'Magnus Flett'],
]
const shops = [
  ['Wick & Daughters', 'Edda Wick'],
  ['Corvane Music', 'Luc Corvane'],
  ['The Bow Room', 'Irena Toll'],
  ['Pemberly Sheet Music', 'Otis Pemberly'],
  ['Half Moon Guitars', 'Bea Lunn'],
]

export const emailOf = (name: string): string =>
  `${name
    .toLowerCase()
    .normalize('NFKD')
    .replace(/[^a-z ]/g, '')
    .trim()
    .replace(/\s+/g, '.')}@mail.example`

/** Some sixty customers of several kinds, all made up. */
export const DEMO_CUSTOMERS: readonly DemoCustomer[] = [
  ...players.map((name, i) => ({
    name,
    kind: 'player' as const,
    net: i % 3 === 0 ? 0 : 14,
    habit: name === 'Tamsin Kerr' ? SLOW : HABITS[i % HABITS.length]!,
  })),
  ...parents.map((name, i) => ({
    name,
    kind: 'parent' as const,
    net: 14,
    habit: HABITS[(i + 2) % HABITS.length]!,
  })),
  ...schools.map(([name, contact], i) => ({
    name: name!,
    contact,
    kind: 'school' as const,
    net: 30,
    habit: i === 0 ? VERY_SLOW : [USUAL, SLOW][i % 2]!,
    exempt: i % 2 === 1,
    creditLimit: '6000.00',
  })),
  ...groups.map(([name, contact], i) => ({
    name: name!,
    contact,
    kind: 'orchestra' as const,
    net: 30,
    habit: [SLOW, PROMPT, USUAL, USUAL][i]!,
  })),
  ...shops.map(([name, contact], i) => ({
    name: name!,
    contact,
    kind: 'shop' as const,
    net: 30,
    habit: [PROMPT, PROMPT, USUAL, SLOW, USUAL][i]!,
    discount: i < 2,
    creditLimit: '4000.00',
  })),
]
