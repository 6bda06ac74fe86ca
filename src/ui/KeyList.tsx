'use client'
import { houseLocale } from '@/core/locale'
import type { PageKey } from './acts/pageKeys'
import { Panel } from './Panel'

const LIST = [
  ['/', 'go to the quick line'],
  ['?', 'show this list'],
  ['n', 'a new sale'],
  ['Alt 1 … 9', 'go to a section'],
  ['up, down, Enter', 'move through a list and open a row'],
  ['Ctrl Enter', 'press the main button'],
  ['Ctrl Shift Enter', 'press the second button: save a sale as an order'],
  ['.', 'open the menu of what can be done'],
  ['Esc', 'close, or leave a field'],
  ['12*45, 450-10%', 'calculations in amount fields'],
] as const

/** How dates may be typed, in the order of the business's region. */
const sayDates = () =>
  [
    `t, +30, ${houseLocale().monthFirst ? '12/24' : '24/12'}, eom, fri`,
    'dates: today, in 30 days, 24 Dec, end of month, next Friday',
  ] as const

interface Props {
  /** The keys of the page one is on. */
  readonly here: readonly PageKey[]
  readonly onClose: () => void
}

/** Every key, those of the page first. */
export const KeyList = ({ here, onClose }: Props) => (
  <Panel open onClose={onClose} title="Keyboard shortcuts">
    {here.length > 0 && (
      <>
        <h3>On this page</h3>
        <KeyRows rows={here.map((k) => [k.key, k.label])} />
        <h3 className="mt-5">Everywhere</h3>
      </>
    )}
    <KeyRows rows={[...LIST, sayDates()]} />
  </Panel>
)

const KeyRows = ({ rows }: { readonly rows: readonly (readonly [string, string])[] }) => (
  <table className="ledger">
    <tbody>
      {rows.map(([key, what]) => (
        <tr key={key}>
          <td>
            <kbd className="font-figure">{key}</kbd>
          </td>
          <td>{what}</td>
        </tr>
      ))}
    </tbody>
  </table>
)
