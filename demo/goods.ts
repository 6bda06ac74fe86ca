/** What the workshop sells, makes and does. `stock` is how many lie on the shelf at the start, `cost` what one cost. */
export interface DemoGoods {
  readonly code: string
  readonly name: string
  readonly kind: 'stock' | 'work' | 'charge'
  readonly price: string
  readonly taxCode?: string
  readonly incomeAccount?: string
  readonly stock?: number
  readonly cost?: string
  readonly barcode?: string
  /** Small things that go over the counter every day. */
  readonly everyday?: boolean
  /** How pieces are told apart and costed. */
  readonly track?: 'lot' | 'serial'
  readonly costing?: 'fifo'
  readonly warrantyMonths?: number
  readonly weight?: string
  readonly size?: string
}

const cents = (n: number): string => (n / 100).toFixed(2)

const strings = (): DemoGoods[] => {
  const lines = [
    { line: 'Hollow Gut', mark: 'HG', factor: 1.6 },
    { line: 'Silverway', mark: 'SW', factor: 1 },
    { line: 'First Steps', mark: 'FS', factor: 0.55 },
  ]
  const instruments = [
    { name: 'violin', mark: 'VN', price: 4800 },
    { name: 'viola', mark: 'VA', price: 6200 },
    { name: 'cello', mark: 'CE', price: 11800 },
    { name: 'double bass', mark: 'DB', price: 16400 },
    { name: 'guitar', mark: 'GT', price: 1450 },
    { name: 'mandolin', mark: 'MD', price: 1680 },
    { name: 'ukulele', mark: 'UK', price: 980 },
  ]
  return instruments.flatMap((i, n) =>
    lines.map((l, m) => {
      const price = Math.round((i.price * l.factor) / 10) * 10 - 5
      return {
        code: `STR-${i.mark}-${l.mark}`,
        name: `${l.line} strings, ${i.name}, set`,
        kind: 'stock' as const,
        price: cents(price),
        stock: i.price > 10000 ? 6 : 18,
        cost: cents(Math.round(price * 0.56)),
        barcode: `20${String(1000 + n * 10 + m)}`,
        track: 'lot' as const,
        weight: '0.04',
        size: '14 × 14 × 1',
        everyday: i.price < 7000,
      }
    }),
  )
}

const small: readonly (readonly [code: string, name: string, price: number, stock: number, everyday: boolean])[] = [
  ['ROS-DRK', 'Rosin, dark', 1250, 40, true],
  ['ROS-LGT', 'Rosin, light', 1250, 40, true],
  ['ROS-BAS', 'Rosin, double bass', 1690, 12, true],
  ['PEG-EB-VN', 'Pegs, ebony, violin, set', 3400, 10, false],
  ['PEG-RW-VN', 'Pegs, rosewood, violin, set', 3200, 10, false],
  ['PEG-EB-CE', 'Pegs, ebony, cello, set', 6900, 5, false],
  ['PEG-PASTE', 'Peg paste', 790, 25, true],
  ['BRG-VN', 'Bridge blank, violin', 1890, 20, false],
  ['BRG-VA', 'Bridge blank, viola', 2190, 12, false],
  ['BRG-CE', 'Bridge blank, cello', 4290, 8, false],
  ['TLP-VN', 'Tailpiece, violin, with adjusters', 2850, 12, false],
  ['TLP-CE', 'Tailpiece, cello, with adjusters', 5900, 6, false],
  ['ADJ-FINE', 'Fine adjuster', 680, 40, true],
  ['CHR-MID', 'Chin rest, middle', 2980, 10, true],
  ['CHR-SIDE', 'Chin rest, side', 2780, 10, true],
  ['SHR-WOOD', 'Shoulder rest, maple', 5650, 12, true],
  ['SHR-PAD', 'Shoulder pad, foam', 1180, 25, true],
  ['MUT-RUB', 'Mute, rubber', 540, 40, true],
  ['MUT-MET', 'Mute, practice, metal', 1980, 12, true],
  ['END-STOP', 'Floor stop for end pin', 1690, 20, true],
  ['END-PIN', 'End pin, carbon', 5890, 6, false],
  ['CAP-GTR', 'Capo', 1850, 15, true],
  ['PLK-SET', 'Plectrums, set of six', 450, 60, true],
  ['STD-MUS', 'Music stand, folding', 2490, 18, true],
  ['STD-INS', 'Instrument stand, cello', 5490, 8, true],
  ['TUN-CLIP', 'Tuner, clip', 2190, 20, true],
  ['MTR-PEND', 'Metronome, pendulum', 5890, 6, true],
  ['HUM-CASE', 'Humidity tube for the case', 1390, 25, true],
  ['CLN-POL', 'Polish, violin family', 1090, 25, true],
  ['CLN-CLOTH', 'Cloth, soft', 640, 50, true],
  ['STRAP-GT', 'Strap, woven', 2290, 14, true],
  ['HAIR-HANK', 'Bow hair, hank', 1990, 30, false],
  ['GLUE-HIDE', 'Hide glue, pearls, 500 g', 1690, 8, false],
  ['SOUNDPOST', 'Sound post, spruce', 890, 30, false],
]

const large: readonly (readonly [code: string, name: string, price: number, stock: number])[] = [
  ['BOW-VN-BRZ', 'Bow, violin, brazilwood', 14500, 8],
  ['BOW-VN-PRN', 'Bow, violin, pernambuco, silver', 64000, 3],
  ['BOW-VA-BRZ', 'Bow, viola, brazilwood', 15800, 4],
  ['BOW-VA-PRN', 'Bow, viola, pernambuco, silver', 69000, 2],
  ['BOW-CE-BRZ', 'Bow, cello, brazilwood', 17900, 5],
  ['BOW-CE-PRN', 'Bow, cello, pernambuco, silver', 78000, 2],
  ['BOW-VN-CAR', 'Bow, violin, carbon', 22900, 6],
  ['BOW-DB', 'Bow, double bass', 24900, 2],
  ['CAS-VN-OBL', 'Fitted case, violin, oblong', 18500, 8],
  ['CAS-VN-SHP', 'Shaped case, violin', 12900, 8],
  ['CAS-VA-OBL', 'Fitted case, viola, oblong', 19900, 5],
  ['CAS-CE-SFT', 'Soft case, cello', 13900, 6],
  ['CAS-CE-HRD', 'Hard case, cello', 58900, 3],
  ['CAS-GT', 'Case, guitar', 11900, 6],
  ['CAS-MD', 'Case, mandolin', 9900, 5],
  ['CAS-DB', 'Cover, double bass', 21900, 2],
  ['VN-44-STU', 'Violin 4/4, student', 48000, 6],
  ['VN-34-STU', 'Violin 3/4, student', 42000, 6],
  ['VN-12-STU', 'Violin 1/2, student', 39000, 5],
  ['VN-14-STU', 'Violin 1/4, student', 38000, 4],
  ['VA-155-STU', 'Viola 15.5 in, student', 56000, 3],
  ['CE-44-STU', 'Cello 4/4, student', 98000, 3],
  ['CE-34-STU', 'Cello 3/4, student', 92000, 2],
  ['GT-CLA', 'Guitar, classical, cedar', 42500, 4],
  ['GT-STE', 'Guitar, steel string', 56500, 4],
  ['UK-TEN', 'Ukulele, tenor', 16500, 8],
  ['MD-A', 'Mandolin, carved top', 78500, 2],
  ['DB-34', 'Double bass 3/4, laminated', 189000, 1],
  ['VN-44-OWN', 'Violin 4/4, maker’s own', 380000, 2],
  ['VA-16-OWN', 'Viola 16 in, maker’s own', 288000, 2],
  ['CE-44-OWN', 'Cello 4/4, maker’s own', 640000, 1],
  ['GT-OWN', 'Guitar, maker’s own', 265000, 1],
]

const work: readonly (readonly [code: string, name: string, price: number])[] = [
  ['W-REHAIR-VN', 'Rehair, violin or viola bow', 6500],
  ['W-REHAIR-CE', 'Rehair, cello bow', 7000],
  ['W-REHAIR-DB', 'Rehair, double bass bow', 7800],
  ['W-SETUP', 'Set-up and voicing, hour', 7200],
  ['W-POST', 'Sound post, fit', 5800],
  ['W-BRIDGE-VN', 'Bridge, cut and fit, violin', 9500],
  ['W-BRIDGE-CE', 'Bridge, cut and fit, cello', 16500],
  ['W-SEAM', 'Open seam, glue', 4500],
  ['W-CRACK', 'Crack, glue and cleat, hour', 7800],
  ['W-PEGS', 'Pegs, fit, set', 12500],
  ['W-NUT', 'Nut, new, fit', 6800],
  ['W-BOARD', 'Fingerboard, plane', 14500],
  ['W-NECK', 'Neck, reset, hour', 7800],
  ['W-FRETS', 'Frets, dress', 11500],
  ['W-REFRET', 'Frets, new', 32000],
  ['W-POLISH', 'Clean and polish', 4200],
  ['W-VARNISH', 'Varnish, touch up, hour', 6900],
  ['W-APPRAISE', 'Appraisal, written', 12000],
  ['W-BOWTIP', 'Bow tip, new', 8500],
  ['W-BOWGRIP', 'Bow grip and winding', 7400],
  ['W-STRING', 'Stringing', 1500],
  ['W-ADJUST', 'Adjustment while you wait', 2500],
]

const rental: readonly (readonly [code: string, name: string, price: number])[] = [
  ['R-VN-S', 'Rental, violin, small size, month', 2200],
  ['R-VN-44', 'Rental, violin 4/4, month', 2600],
  ['R-VA', 'Rental, viola, month', 2900],
  ['R-CE-34', 'Rental, cello 3/4, month', 4400],
  ['R-CE-44', 'Rental, cello 4/4, month', 4800],
  ['R-DB', 'Rental, double bass, month', 6400],
]

const charges: readonly (readonly [code: string, name: string, price: number])[] = [
  ['C-DELIVER', 'Delivery by van', 3500],
  ['C-PARCEL', 'Parcel, insured', 2400],
  ['C-SMALL', 'Small parts', 850],
  ['C-PICKUP', 'Picked up from the school', 2800],
  ['C-RUSH', 'Rush fee, next day', 4500],
  ['C-STORE', 'Storage, month', 1500],
]

/** What instruments and cases weigh and measure, in their boxes. */
const sizeOf = (code: string) =>
  /(^|-)(CE|DB)(-|$)/.test(code)
    ? { weight: '9', size: '140 × 55 × 45' }
    : /(^|-)GT(-|$)/.test(code)
      ? { weight: '4', size: '110 × 45 × 18' }
      : { weight: '2', size: '80 × 30 × 15' }

/** A hundred and twenty things, made up. */
export const DEMO_GOODS: readonly DemoGoods[] = [
  ...strings(),
  ...small.map(([code, name, price, stock, everyday], i) => ({
    code,
    name,
    kind: 'stock' as const,
    price: cents(price),
    stock,
    cost: cents(Math.round(price * 0.52)),
    barcode: `21${1000 + i}`,
    everyday,
    ...(code.startsWith('GLUE') ? { track: 'lot' as const } : {}),
    weight: '0.2',
    size: '12 × 10 × 6',
  })),
  ...large.map(([code, name, price, stock]) => ({
    code,
    name,
    kind: 'stock' as const,
    price: cents(price),
    stock,
    cost: cents(Math.round(price * 0.6)),
    ...(code.endsWith('-OWN') ? { track: 'serial' as const, warrantyMonths: 24 } : {}),
    ...(code.startsWith('BOW-') ? { costing: 'fifo' as const, weight: '0.1', size: '78 × 6 × 4' } : sizeOf(code)),
  })),
  ...work.map(([code, name, price]) => ({ code, name, kind: 'work' as const, price: cents(price) })),
  ...rental.map(([code, name, price]) => ({
    code,
    name,
    kind: 'work' as const,
    price: cents(price),
    incomeAccount: '4030',
  })),
  ...charges.map(([code, name, price]) => ({ code, name, kind: 'charge' as const, price: cents(price) })),
]

/** Sold as one, handed over as its parts. */
export const DEMO_KITS = [
  {
    code: 'KIT-VN-34',
    name: 'First violin outfit, 3/4',
    price: '565.00',
    parts: ['VN-34-STU', 'BOW-VN-BRZ', 'CAS-VN-SHP', 'ROS-LGT'],
  },
  {
    code: 'KIT-CARE',
    name: 'Care box: rosin, cloth, polish',
    price: '26.50',
    parts: ['ROS-DRK', 'CLN-CLOTH', 'CLN-POL'],
  },
] as const
