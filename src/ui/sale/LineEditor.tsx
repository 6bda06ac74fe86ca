'use client'
import { ArrowDown, ArrowUp, X } from 'lucide-react'
import { useRef } from 'react'
import { formatMoney } from '@/core/money'
import { MoneyField, QuantityField } from '../fields'
import { findGoodsChoices, Picker, type FoundGoods } from '../Picker'
import {
  draftTotals,
  emptyLine,
  isBlank,
  marginPercent,
  readPasted,
  type DraftSettings,
  type LineDraft,
} from './lineDraft'

interface Props {
  readonly lines: readonly LineDraft[]
  readonly onLines: (lines: readonly LineDraft[]) => void
  readonly settings: DraftSettings
}

const fromGoods = (line: LineDraft, g: FoundGoods): LineDraft => ({
  ...line,
  goodsId: g.id,
  description: g.name,
  unitPrice: g.price,
  taxCode: g.taxCode,
  available: g.kind === 'stock' || g.kind === 'kit' ? g.available : undefined,
  unitCost: g.unitCost,
})

/** The lines of a sale while they are written, with totals at every change. Enter in a figure goes on to the next line. */
export const LineEditor = ({ lines, onLines, settings }: Props) => {
  const table = useRef<HTMLTableElement>(null)
  const blank = settings.codes[0]!.code
  const shown = lines.length === 0 || !isBlank(lines.at(-1)!) ? [...lines, emptyLine(blank)] : lines
  const totals = draftTotals(shown, settings)
  const set = (i: number, change: Partial<LineDraft>) =>
    onLines(shown.map((l, n) => (n === i ? { ...l, ...change } : l)))
  const move = (i: number, by: number) => {
    const next = [...shown]
    const [line] = next.splice(i, 1)
    next.splice(i + by, 0, line!)
    onLines(next)
  }
  const rowOf = (i: number) => table.current?.querySelectorAll<HTMLTableRowElement>('[data-line]')[i]
  const focusCell = (i: number, cell: string) =>
    requestAnimationFrame(() =>
      rowOf(i)?.querySelector<HTMLInputElement>(`[data-cell=${cell}] input`)?.focus(),
    )
  const paste = (i: number, text: string): boolean => {
    const rows = readPasted(text, blank)
    if (rows.length === 0) return false
    onLines([...shown.slice(0, i), ...rows, ...shown.slice(i + 1)])
    return true
  }
  return (
    <div className="overflow-x-auto pb-40">
      <table ref={table} className="ledger min-w-[860px]">
        <thead>
          <tr>
            <th scope="col">What: type, scan, or paste rows</th>
            <th scope="col" className="r w-[84px]">
              Quantity
            </th>
            <th scope="col" className="r w-[112px]">
              Each
            </th>
            <th scope="col" className="r w-[76px]">
              Less %
            </th>
            <th scope="col" className="w-[92px]">
              Tax
            </th>
            <th scope="col" className="r w-[64px]">
              Margin
            </th>
            <th scope="col" className="r w-[110px]">
              Sum
            </th>
            <th scope="col" className="w-[84px]">
              <span className="sr-only">Order and removal</span>
            </th>
          </tr>
        </thead>
        <tbody>
          {shown.map((l, i) => {
            const short = l.available !== undefined && Number(l.quantity) > Number(l.available)
            const margin = marginPercent(l, totals.lines[i]!.net)
            return (
              <tr
                key={l.key}
                data-line
                className="align-top [&>td]:py-1 [&>td]:align-top"
                onPaste={(e) => paste(i, e.clipboardData.getData('text')) && e.preventDefault()}
              >
                <td data-cell="what">
                  <Picker
                    label={`Line ${i + 1}: what`}
                    hideLabel
                    chosen={l.description}
                    placeholder="goods, work, or any words"
                    find={findGoodsChoices}
                    onPick={(g) => {
                      set(i, fromGoods(l, g))
                      focusCell(i, 'quantity')
                    }}
                    otherwise={{
                      say: (typed) => `“${typed}”, as typed`,
                      take: (typed) =>
                        set(i, { description: typed, goodsId: undefined, available: undefined }),
                    }}
                  />
                  {!isBlank(l) && (
                    <input
                      aria-label={`Line ${i + 1}: note`}
                      placeholder="note for this line"
                      className="sub mt-0.5 min-h-[26px] w-full bg-transparent px-2.5"
                      value={l.note}
                      onChange={(e) => set(i, { note: e.target.value })}
                    />
                  )}
                </td>
                <td
                  data-cell="quantity"
                  onKeyDown={(e) => e.key === 'Enter' && !e.ctrlKey && focusCell(i + 1, 'what')}
                >
                  <QuantityField
                    label={`Line ${i + 1}: quantity`}
                    hideLabel
                    value={l.quantity}
                    onValue={(quantity) => set(i, { quantity })}
                  />
                  {l.available !== undefined && (
                    <div className={`fig text-xs ${short ? 'text-oxide-700' : 'text-iron-500'}`}>
                      {l.available} there
                    </div>
                  )}
                </td>
                <td onKeyDown={(e) => e.key === 'Enter' && !e.ctrlKey && focusCell(i + 1, 'what')}>
                  <MoneyField
                    currency={settings.currency}
                    label={`Line ${i + 1}: each`}
                    hideLabel
                    value={l.unitPrice}
                    onValue={(unitPrice) => set(i, { unitPrice })}
                  />
                </td>
                <td onKeyDown={(e) => e.key === 'Enter' && !e.ctrlKey && focusCell(i + 1, 'what')}>
                  <QuantityField
                    label={`Line ${i + 1}: less percent`}
                    hideLabel
                    value={l.discountPercent}
                    onValue={(discountPercent) => set(i, { discountPercent })}
                  />
                </td>
                <td>
                  <select
                    aria-label={`Line ${i + 1}: tax`}
                    className="field !px-1"
                    value={l.taxCode}
                    onChange={(e) => set(i, { taxCode: e.target.value })}
                  >
                    {settings.codes.map((c) => (
                      <option key={c.id} value={c.code}>
                        {c.code}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="fig pt-3! text-iron-500">{margin === null ? '' : `${margin} %`}</td>
                <td className="fig pt-3!">
                  {isBlank(l)
                    ? ''
                    : formatMoney(settings.pricesIncludeTax ? totals.lines[i]!.gross : totals.lines[i]!.net)}
                </td>
                <td className="whitespace-nowrap">
                  {!isBlank(l) && (
                    <span className="inline-flex pt-1 text-iron-500">
                      <button
                        type="button"
                        aria-label={`Line ${i + 1} up`}
                        disabled={i === 0}
                        className="p-[5px] disabled:opacity-30"
                        onClick={() => move(i, -1)}
                      >
                        <ArrowUp size={15} />
                      </button>
                      <button
                        type="button"
                        aria-label={`Line ${i + 1} down`}
                        disabled={i === shown.length - 1}
                        className="p-[5px] disabled:opacity-30"
                        onClick={() => move(i, 1)}
                      >
                        <ArrowDown size={15} />
                      </button>
                      <button
                        type="button"
                        aria-label={`Line ${i + 1} away`}
                        className="p-[5px] hover:text-oxide-700"
                        onClick={() => onLines(shown.filter((_, n) => n !== i))}
                      >
                        <X size={15} />
                      </button>
                    </span>
                  )}
                </td>
              </tr>
            )
          })}
        </tbody>
        <tbody>
          <tr>
            <td colSpan={6} className="r border-0! text-iron-500">
              net
            </td>
            <td className="fig border-0!">{formatMoney(totals.net)}</td>
            <td className="border-0!" />
          </tr>
          <tr>
            <td colSpan={6} className="r border-0! text-iron-500">
              {settings.exempt ? 'tax (exempt)' : 'tax'}
            </td>
            <td className="fig border-0!">{formatMoney(totals.tax)}</td>
            <td className="border-0!" />
          </tr>
          <tr className="total">
            <td colSpan={6} className="r">
              total
            </td>
            <td className="fig">{formatMoney(totals.gross)}</td>
            <td />
          </tr>
        </tbody>
      </table>
    </div>
  )
}
