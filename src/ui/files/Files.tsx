'use client'
import { X } from 'lucide-react'
import { formatDay, type Day } from '@/core/day'
import type { FILE_OWNERS } from '@/core/kinds'
import { Refusal } from '../Refusal'
import { useSend } from '../send'
import { SureButton } from '../SureButton'
import { FileButton } from './FileButton'
import { cannotRead, readBase64 } from './readBase64'
import { tooLarge } from './tooLarge'

interface Props {
  readonly ownerKind: (typeof FILE_OWNERS)[number]
  readonly ownerId: number
  readonly files: readonly {
    readonly id: number
    readonly name: string
    readonly type: string
    readonly size: number
    readonly addedOn: Day
  }[]
  /** What is meant to be kept here. */
  readonly label: string
  readonly accept?: string
}

const size = (bytes: number): string =>
  bytes < 1000 ? `${bytes} B` : bytes < 1e6 ? `${Math.round(bytes / 1000)} kB` : `${(bytes / 1e6).toFixed(1)} MB`

/** Files kept with something: looked at, added, thrown away. */
export const Files = ({ ownerKind, ownerId, files, label, accept }: Props) => {
  const { send, busy, refused, setRefused } = useSend()
  const add = async (chosen: File) => {
    const large = tooLarge(chosen)
    if (large) return setRefused(large)
    const base64 = await readBase64(chosen).catch(() => null)
    if (base64 === null) return setRefused(cannotRead(chosen))
    await send(
      'POST',
      '/files',
      { ownerKind, ownerId, name: chosen.name, base64 },
      { say: () => `${chosen.name} added.` },
    )
  }
  return (
    <section>
      <h2>{label}</h2>
      <ul>
        {files.map((f) => (
          <li key={f.id} className="flex items-center gap-2 border-b border-paper-200 py-1">
            {f.type.startsWith('image/') && (
              // oxlint-disable-next-line nextjs/no-img-element -- kept in the database, shown as it is
              <img src={`/api/v1/export/files/${f.id}`} alt="" className="h-9 w-9 object-cover" />
            )}
            <a className="min-w-0 flex-1 underline one-line" href={`/api/v1/export/files/${f.id}`} target="_blank">
              {f.name}
            </a>
            <span className="sub whitespace-nowrap">
              {size(f.size)}, {formatDay(f.addedOn)}
            </span>
            <SureButton
              label={`Delete ${f.name}`}
              sure="Delete for good"
              className="p-1.25 text-iron-500 hover:text-oxide-700"
              disabled={busy}
              onSure={() => void send('DELETE', `/files/${f.id}`, {}, { say: () => `${f.name} deleted.` })}
            >
              <X size={15} />
            </SureButton>
          </li>
        ))}
      </ul>
      <div className="mt-2">
        <FileButton accept={accept} name={`${label}: add a file`} disabled={busy} onFile={(file) => void add(file)}>
          Add a file
        </FileButton>
      </div>
      <Refusal refused={refused} />
    </section>
  )
}
