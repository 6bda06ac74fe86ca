'use client'
import type { GoodsKind } from '@/core/kinds'
import { GOODS_KIND_NAMES } from '@/core/names'
import { present } from '@/core/present'
import { useState } from 'react'
import { readBase64 } from '../files/readBase64'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { LedgerHead, right } from '@/ui/LedgerHead'

interface Looked {
  readonly rows: number
  readonly added: number
  readonly changed: number
  readonly written: boolean
  readonly problems: readonly { readonly row: number; readonly code: string; readonly message: string }[]
  readonly preview: readonly {
    readonly row: number
    readonly code: string
    readonly name: string
    readonly kind: GoodsKind
    readonly price: string
    readonly isNew: boolean
  }[]
}

/** Goods from a spreadsheet: chosen, looked at row by row, then written all at once. */
export const ImportGoods = () => {
  const [file, setFile] = useState<{ name: string; base64: string } | null>(null)
  const [looked, setLooked] = useState<Looked | null>(null)
  const { send, busy, refused, setRefused } = useSend()
  const choose = async (chosen: File | undefined) => {
    setLooked(null)
    if (!chosen) return
    if (chosen.size > 4_000_000)
      return setRefused({ detail: `${chosen.name} is larger than 4 MB. Split it.`, errors: [] })
    const base64 = await readBase64(chosen)
    setFile({ name: chosen.name, base64 })
    setLooked(await send('POST', '/goods/import', { base64, mode: 'look' }))
  }
  const write = (mode: 'all' | 'good') =>
    send(
      'POST',
      '/goods/import',
      { base64: present(file).base64, mode },
      {
        say: (r) => `${r.added} goods added, ${r.changed} changed.`,
        go: () => '/goods',
      },
    )
  const good = looked ? looked.added + looked.changed : 0
  return (
    <div className="grid gap-5">
      <div>
        <label className="btn cursor-pointer focus-within:outline-2 focus-within:outline-rust-600">
          {file ? 'Choose another file' : 'Choose a CSV or XLSX file'}
          <input
            type="file"
            accept=".csv,.xlsx,text/csv"
            className="sr-only"
            aria-label="File with goods"
            disabled={busy}
            onChange={(e) => void choose(e.target.files?.[0])}
          />
        </label>
        {file && <span className="sub ml-3">{file.name}</span>}
        {busy && <span className="sub ml-3">Reading …</span>}
      </div>
      <Refusal refused={refused} />
      {looked && (
        <>
          <p>
            <b>{looked.rows} rows:</b> {looked.added} new, {looked.changed}{' '}
            {looked.changed === 1 ? 'update' : 'updates'}
            {looked.problems.length > 0 && (
              <span className="text-oxide-700">, {looked.problems.length} with errors</span>
            )}
            . Nothing imported yet.
          </p>
          {looked.problems.length > 0 && <Problems problems={looked.problems} />}
          {looked.preview.length > 0 && <Preview preview={looked.preview} of={good} />}
          <button
            className="btn btn-do justify-self-start"
            data-primary
            disabled={busy || good === 0}
            onClick={() => void write(looked.problems.length === 0 ? 'all' : 'good')}
          >
            {looked.problems.length === 0 ? `Import ${good}` : `Import ${good} and skip ${looked.problems.length}`}
          </button>
        </>
      )}
    </div>
  )
}

const SHOWN = 200

const Problems = ({ problems }: Pick<Looked, 'problems'>) => (
  <section>
    <h2>Errors</h2>
    <table className="ledger max-w-225">
      <LedgerHead heads={[right('Row', 'w-17.5'), { head: 'Code', className: 'w-45' }, 'Problem']} />
      <tbody>
        {problems.slice(0, SHOWN).map((p) => (
          <tr key={p.row}>
            <td className="fig">{p.row}</td>
            <td className="max-w-45 truncate font-figure">{p.code}</td>
            <td className="break-words">{p.message}</td>
          </tr>
        ))}
      </tbody>
    </table>
    {problems.length > SHOWN && <p className="sub">and {problems.length - SHOWN} more</p>}
  </section>
)

const Preview = ({ preview, of }: Pick<Looked, 'preview'> & { readonly of: number }) => (
  <section>
    <h2>Preview</h2>
    <table className="ledger max-w-225">
      <tbody>
        {preview.map((p) => (
          <tr key={p.row}>
            <td className="font-figure">{p.code}</td>
            <td>{p.name}</td>
            <td className="sub">{GOODS_KIND_NAMES[p.kind]}</td>
            <td className="sub">{p.isNew ? 'new' : 'changed'}</td>
            <td className="fig">{p.price}</td>
          </tr>
        ))}
      </tbody>
    </table>
    {of > preview.length && <p className="sub">and {of - preview.length} more like these</p>}
  </section>
)
