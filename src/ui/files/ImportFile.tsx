'use client'
import { LARGEST_FILE } from '@/core/kinds'
import { formatCount } from '@/core/locale'
import { present } from '@/core/present'
import { useState, type ReactNode } from 'react'
import { FileButton } from './FileButton'
import { RowProblems } from './RowProblems'
import { cannotRead, readBase64 } from './readBase64'
import { Refusal } from '../Refusal'
import { useSend } from '../send'

interface Looked<Row> {
  readonly rows: number
  readonly added: number
  readonly problems: readonly { readonly row: number; readonly code: string; readonly message: string }[]
  readonly preview: readonly Row[]
}

interface Wish {
  readonly base64: string
  readonly mode: 'look' | 'all' | 'good'
}
type Ask<L> = (
  send: ReturnType<typeof useSend>['send'],
  wish: Wish,
  then: { readonly say?: () => string; readonly go?: () => string },
) => Promise<L | null>

interface Props<Row, L extends Looked<Row>> {
  /** The call that looks at it, and writes it. */
  readonly ask: Ask<L>
  /** What is in the file: `goods`. */
  readonly what: string
  /** How files end that are taken, and how that is said. */
  readonly accept: string
  readonly choose: string
  /** How many known ones it changes. */
  readonly changed?: (looked: L) => number
  /** The cells of a row of the preview. */
  readonly cells: (row: Row) => readonly ReactNode[]
  /** Where one is led when it is done. */
  readonly go: string
}

/** Things from a file: chosen, looked at row by row, then written all at once. */
export const ImportFile = <Row, L extends Looked<Row>>({
  ask,
  what,
  accept,
  choose: says,
  changed,
  cells,
  go,
}: Props<Row, L>) => {
  const [file, setFile] = useState<{ name: string; base64: string } | null>(null)
  const [looked, setLooked] = useState<L | null>(null)
  const { send, busy, refused, setRefused } = useSend()
  const choose = async (chosen: File) => {
    setLooked(null)
    if (chosen.size > LARGEST_FILE)
      return setRefused({ detail: `${chosen.name} is larger than 4 MB. Split it.`, errors: [] })
    const base64 = await readBase64(chosen).catch(() => null)
    if (base64 === null) return setRefused(cannotRead(chosen))
    setFile({ name: chosen.name, base64 })
    setLooked(await ask(send, { base64, mode: 'look' }, {}))
  }
  const write = (mode: 'all' | 'good') =>
    ask(
      send,
      { base64: present(file).base64, mode },
      { say: () => `${formatCount(good)} ${what} imported.`, go: () => go },
    )
  const updates = looked && changed ? changed(looked) : 0
  const good = looked ? looked.added + updates : 0
  return (
    <div className="grid gap-5">
      <div>
        <FileButton accept={accept} name={`File with ${what}`} disabled={busy} onFile={(chosen) => void choose(chosen)}>
          {file ? 'Choose another file' : says}
        </FileButton>
        {file && <span className="sub ml-3">{file.name}</span>}
        {busy && <span className="sub ml-3">Reading …</span>}
      </div>
      <Refusal refused={refused} />
      {looked && (
        <>
          <p>
            <b>{formatCount(looked.rows)} rows:</b> {formatCount(looked.added)} new
            {changed && `, ${formatCount(updates)} ${updates === 1 ? 'update' : 'updates'}`}
            {looked.problems.length > 0 && (
              <span className="text-oxide-700">, {formatCount(looked.problems.length)} with errors</span>
            )}
            . Nothing imported yet.
          </p>
          {looked.problems.length > 0 && <RowProblems problems={looked.problems} />}
          {looked.preview.length > 0 && <Preview rows={looked.preview.map(cells)} of={good} />}
          <button
            className="btn btn-do justify-self-start"
            data-primary
            disabled={busy || good === 0}
            onClick={() => void write(looked.problems.length === 0 ? 'all' : 'good')}
          >
            {looked.problems.length === 0
              ? `Import ${formatCount(good)}`
              : `Import ${formatCount(good)} and skip ${formatCount(looked.problems.length)}`}
          </button>
        </>
      )}
    </div>
  )
}

const Preview = ({ rows, of }: { readonly rows: readonly (readonly ReactNode[])[]; readonly of: number }) => (
  <section>
    <h2>Preview</h2>
    <table className="ledger max-w-225">
      <tbody>
        {rows.map((cells, i) => (
          <tr key={i}>
            {cells.map((cell, j) => (
              <td key={j} className={j === 0 ? '' : 'sub'}>
                {cell}
              </td>
            ))}
          </tr>
        ))}
      </tbody>
    </table>
    {of > rows.length && <p className="sub">and {formatCount(of - rows.length)} more like these</p>}
  </section>
)
