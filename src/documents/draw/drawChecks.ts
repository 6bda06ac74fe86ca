import { decorate, openSheet } from './openSheet'
import { INK, MARGIN, style } from './page'
import { setText, type TextStyle } from './setText'

/** A check with its stub, as plain words. */
export interface Check {
  readonly number: string
  readonly date: string
  /** Who writes it: name and address. */
  readonly from: string
  /** The bank it is drawn on, as far as that is known. */
  readonly bank: string
  readonly payee: string
  readonly address: string
  readonly amount: string
  readonly words: string
  readonly memo: string
  /** It does not count any more. */
  readonly voided: boolean
  /** What it pays: their number, its day, how much of it. */
  readonly pays: readonly (readonly [string, string, string])[]
}

const [WIDE, CHECK_HIGH] = [595.28, 270]
const RIGHT = WIDE - MARGIN
const INNER = WIDE - 2 * MARGIN
/** What more bills than this come to stands in one line. */
const MOST_ROWS = 24

const plain = style('text', 10, INK.text, 'left')
const quiet = style('text', 8, INK.quiet, 'left')
const bold = style('text-bold', 11, INK.text, 'left')
const figure = (size: number): TextStyle => style('figure-bold', size, INK.text, 'right')

/** Checks, one a page: the check itself on top, below it the stub that goes along, with what it pays. */
export const drawChecks = (checks: readonly Check[]): Promise<Buffer> => {
  const { sheet, close } = openSheet({ title: 'Checks', language: 'en', size: 'A4' })
  const { doc } = sheet
  const root = doc.struct('Document')
  doc.addStructure(root)
  for (const [n, check] of checks.entries()) {
    if (n > 0) doc.addPage()
    const says = (text: string, of: TextStyle, x: number, y: number, width: number): void => {
      if (text !== '') root.add(doc.struct('P', {}, () => void setText(sheet, of, text, { x, y, width })))
    }
    const rule = (x: number, y: number, to: number): void =>
      decorate(sheet, () => void doc.moveTo(x, y).lineTo(to, y).lineWidth(0.6).strokeColor(INK.quiet).stroke())
    says(check.from, quiet, MARGIN, 36, 240)
    says(`Check ${check.number}`, figure(12), RIGHT - 200, 36, 200)
    says(check.date, style('figure', 10, INK.text, 'right'), RIGHT - 200, 56, 200)
    says('Pay to the order of', quiet, MARGIN, 96, 80)
    says(check.payee, bold, MARGIN + 84, 94, INNER - 214)
    says(check.amount, figure(13), RIGHT - 120, 92, 120)
    rule(MARGIN + 84, 112, RIGHT - 128)
    says(check.words, plain, MARGIN, 126, INNER)
    rule(MARGIN, 142, RIGHT)
    says(check.address, plain, MARGIN + 84, 152, 260)
    says(check.bank, quiet, MARGIN, 218, 240)
    says(check.memo === '' ? '' : `For ${check.memo}`, quiet, MARGIN, 238, 250)
    rule(MARGIN, 252, MARGIN + 250)
    rule(RIGHT - 190, 252, RIGHT)
    says(check.voided ? 'VOID' : '', style('text-bold', 44, INK.quiet, 'center'), MARGIN, 156, INNER)
    decorate(
      sheet,
      () => void doc.moveTo(0, CHECK_HIGH).lineTo(WIDE, CHECK_HIGH).dash(3, { space: 3 }).stroke().undash(),
    )
    says(`Check ${check.number} to ${check.payee}, ${check.date}`, bold, MARGIN, CHECK_HIGH + 24, INNER)
    const rows = check.pays.slice(0, MOST_ROWS)
    rows.forEach(([number, on, amount], i) => {
      const y = CHECK_HIGH + 52 + i * 18
      says(number, plain, MARGIN, y, 230)
      says(on, plain, MARGIN + 240, y, 120)
      says(amount, style('figure', 10, INK.text, 'right'), RIGHT - 130, y, 130)
    })
    const end = CHECK_HIGH + 52 + rows.length * 18
    const more = check.pays.length - rows.length
    says(more > 0 ? `and ${more} more` : '', quiet, MARGIN, end, 230)
    rule(RIGHT - 130, end + 2, RIGHT)
    says(check.amount, figure(11), RIGHT - 130, end + 8, 130)
  }
  root.end()
  return close()
}
