import { render, screen, waitFor } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { RestoreForm } from '@/ui/RestoreForm'
import { userEvent } from './hand'
import { field, noteOf, press, type } from './hands'

const FILE = new File(['IRON-TILL-BACKUP 1'], 'moved.backup')
/** Stands in for the door: what each address answers, one after the other. */
const answers = (of: Readonly<Record<string, readonly (readonly [status: number, body: object] | 'away')[]>>) => {
  const asked: { readonly path: string; readonly headers: Headers; readonly body: unknown }[] = []
  vi.stubGlobal('fetch', async (path: string, init: RequestInit = {}) => {
    const turn = asked.filter((a) => a.path === path).length
    asked.push({ path, headers: new Headers(init.headers), body: init.body })
    const answer = of[path]?.[turn] ?? of[path]?.at(-1) ?? 'away'
    if (answer === 'away') throw new TypeError('no answer')
    return Response.json(answer[1], { status: answer[0] })
  })
  return asked
}

test('a backup is chosen and sent as it is; what is wrong with it stands at the file', async () => {
  const asked = answers({
    '/api/first-run/restore': [
      [422, { detail: 'This backup was cut off. Nothing was changed.' }],
      [202, { business: 'Moved', made: '2026-03-01', rows: 1200 }],
    ],
    '/api/first-run': ['away', [200, { there: false, said: 'It was not restored. The disk is full.' }]],
  })
  render(<RestoreForm needsCode said="" />)
  await userEvent.click(screen.getByText('Restore a backup instead'))
  await press('Restore')
  expect(noteOf(field('Backup'))).toBe('Choose the file of a backup.')
  await userEvent.upload(field('Backup'), FILE)
  await type('Code for the backup', 'abc123')
  await press('Restore')
  await waitFor(() => expect(noteOf(field('Backup'))).toBe('This backup was cut off. Nothing was changed.'))
  expect([asked[0]?.headers.get('x-till-code'), asked[0]?.body]).toEqual(['abc123', FILE])
  await press('Restore')
  await screen.findByText(/Restoring 1,200 rows of Moved, as of 2026-03-01/)
  // The place is away while it restores; then it says how it went.
  await waitFor(() => expect(noteOf(field('Backup'))).toBe('It was not restored. The disk is full.'))
})

test('why it came to nothing before is said at once; nobody answering changes nothing', async () => {
  answers({})
  render(<RestoreForm needsCode={false} said="It was not restored." />)
  expect(noteOf(field('Backup'))).toBe('It was not restored.')
  expect(screen.queryByLabelText('Code for the backup')).toBeNull()
  await userEvent.upload(field('Backup'), FILE)
  await press('Restore')
  await waitFor(() => expect(noteOf(field('Backup'))).toBe('No answer came. Nothing was changed; try again.'))
})
