/** Words with a blank between. */
export const split = (text: string): readonly string[] => text.split(' ')

/** What is written in fields and addresses, rightly and wrongly. */
export const FIGURES: readonly string[] = split(
  '1 2 3 12 50 100 0 0.00 0.01 1.00 5.00 10.00 25.50 33.33 7.5 0.3333 99.99 100.01 1234.56 999999999.99 999999999999 0.0001 1.005 -1.00 -12.5',
)
export const DAYS: readonly string[] = split('2027-12-30 2027-12-29 2027-12-28 2027-12-20 2027-12-01 2027-11-30')
export const ODD_DAYS: readonly string[] = split(
  '2027-09-15 2027-01-01 2026-12-31 2026-07-04 2026-03-10 2026-01-31 2027-12-31 2028-02-29 1990-01-01 2199-12-31 9999-12-31 0001-01-01 2027-02-29 2027-13-01',
)
export const ODD_WORDS: readonly string[] = [
  ...['', ' ', 'x'.repeat(120), 'x'.repeat(5_000), 'a\tb', 'line\nline'],
  ...split("\\ % _ é\u0301ß \u202Eabc \uFEFFq 💰🎻 ٣ − <b>&\"' '; =1+1 @x 00012 null"),
]
