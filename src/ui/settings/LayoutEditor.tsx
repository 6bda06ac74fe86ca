'use client'
import { useEffect, useState } from 'react'
import type { LayoutSpec, PaperKind } from '@/core/formats'
import { toAddress } from '@/contract/inAddress'
import { Text } from '../fields'
import { messageFor, Refusal } from '../Refusal'
import { useSend } from '../send'
import { SureButton } from '../SureButton'
import { ColumnOrder, PartOrder } from './layoutOrders'

interface Props {
  readonly paper: PaperKind
  readonly paperName: string
  /** The layout that is changed; null makes a new one. */
  readonly layout: { readonly id: number; readonly name: string; readonly usual: boolean } | null
  readonly spec: LayoutSpec
  /** A paper of this kind to look at while changing; null where there is none yet. */
  readonly exampleId: number | null
}

/** A paper laid out as the owner likes it, beside the paper itself. */
export const LayoutEditor = ({ paper, paperName, layout, spec: start, exampleId }: Props) => {
  const [name, setName] = useState(layout?.name ?? '')
  const [usual, setUsual] = useState(layout?.usual ?? true)
  const [spec, setSpec] = useState(start)
  const [shown, setShown] = useState('')
  const { send, busy, refused } = useSend()
  const set = (change: Partial<LayoutSpec>) => setSpec({ ...spec, ...change })
  useEffect(() => {
    let is = true
    const show = async (): Promise<void> => {
      const held = await toAddress(JSON.stringify(spec))
      if (is) setShown(held)
    }
    const timer = setTimeout(() => void show(), 600)
    return () => {
      is = false
      clearTimeout(timer)
    }
  }, [spec])
  const save = () =>
    layout
      ? send('PATCH', `/layouts/${layout.id}`, { spec, usual }, { say: () => 'Saved.' })
      : send(
          'POST',
          '/layouts',
          { paper, name, usual, spec },
          { say: () => `${name} saved.`, go: (l) => `/settings/papers/${paper}?layout=${l.id}` },
        )
  const check = (label: string, key: 'showMark' | 'showNotes' | 'showDeliverTo') => (
    <label className="flex gap-2">
      <input type="checkbox" checked={spec[key]} onChange={(e) => set({ [key]: e.target.checked })} /> {label}
    </label>
  )
  return (
    <div className="grid gap-x-8 gap-y-6 lg:grid-cols-[380px_minmax(0,1fr)]">
      <div className="grid content-start gap-4">
        {!layout && (
          <Text
            label="Name of this layout"
            value={name}
            maxLength={60}
            onChange={(e) => setName(e.target.value)}
            problem={messageFor(refused, 'name')}
          />
        )}
        <Text
          label={`Title, instead of “${paperName}”`}
          value={spec.title}
          maxLength={80}
          onChange={(e) => set({ title: e.target.value })}
        />
        {(['above', 'below'] as const).map((key) => (
          <label key={key}>
            <span className="label">Words {key} the lines</span>
            <textarea
              className="field"
              rows={2}
              maxLength={2000}
              value={spec[key]}
              onChange={(e) => set({ [key]: e.target.value })}
            />
          </label>
        ))}
        <ColumnOrder spec={spec} onSpec={set} />
        <PartOrder spec={spec} onSpec={set} />
        <div className="grid gap-1">
          {check('Logo', 'showMark')}
          {check('Line notes', 'showNotes')}
          {check('Delivery address', 'showDeliverTo')}
          <label className="flex gap-2">
            <input type="checkbox" checked={usual} onChange={(e) => setUsual(e.target.checked)} /> used for every{' '}
            {paperName.toLowerCase()} from now on
          </label>
        </div>
        <Refusal refused={refused} />
        <p className="flex flex-wrap gap-2">
          <button className="btn btn-do" data-primary disabled={busy} onClick={() => void save()}>
            Save
          </button>
          {layout && (
            <SureButton
              className="btn"
              sure="Delete for good"
              disabled={busy}
              onSure={() =>
                void send(
                  'DELETE',
                  `/layouts/${layout.id}`,
                  {},
                  { say: () => `${layout.name} deleted.`, go: () => '/settings/papers' },
                )
              }
            >
              Delete layout
            </SureButton>
          )}
        </p>
      </div>
      {exampleId === null ? (
        <p className="text-iron-500">A preview appears once you have a document of this type.</p>
      ) : (
        <iframe
          title={`${paperName} as it looks now`}
          className="h-[76vh] w-full border border-paper-300 bg-white"
          src={
            shown ? `/api/v1/export/papers/${paper}/${exampleId}.pdf?spec=${shown}#toolbar=0&view=FitH` : 'about:blank'
          }
        />
      )}
    </div>
  )
}
