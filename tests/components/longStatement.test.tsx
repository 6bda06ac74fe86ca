import { render, screen, waitFor } from '@testing-library/react'
import { expect, test, vi } from 'vitest'
import { day } from '@/core/day'
import { StatementDesk } from '@/ui/bank/StatementDesk'
import { press } from './hands'

const LINE = {
  id: 1,
  on: day('2026-03-09'),
  amount: '60.00',
  text: 'ADAIR 2026-0101',
  bankId: '',
  state: 'open' as const,
  settles: [],
}
const PROPOSAL = {
  lineId: 1,
  degree: 0.9,
  why: 'Its number is in the text',
  settles: [{ kind: 'due', id: 5, amount: '60.00' }],
}
/** So many lines are open that the page came without proposals. */
const desk = () =>
  render(
    <StatementDesk
      statementId={9}
      lines={[LINE]}
      proposals={null}
      accounts={[]}
      taxCodes={[]}
      done={false}
      currency="USD"
    />,
  )

test('looks for what many lines could be while it stands, as far as it is told; that is stopped and started again', async () => {
  let out!: ReadableStreamDefaultController<Uint8Array>
  let stopped = 0
  const asked: string[] = []
  vi.stubGlobal('fetch', async (url: string, { signal }: RequestInit) => {
    asked.push(url)
    const body = new ReadableStream<Uint8Array>({
      start: (controller) => {
        out = controller
        signal!.addEventListener('abort', () => {
          stopped++
          controller.error(new DOMException('stopped', 'AbortError'))
        })
      },
    })
    return new Response(body, { status: 200 })
  })
  const tell = (text: string) => out.enqueue(new TextEncoder().encode(text))
  desk()
  const bar = () => screen.getByRole<HTMLProgressElement>('progressbar')
  await waitFor(() => expect(asked).toEqual(['/api/v1/export/bank-proposals/9.ndjson']))
  // A telling may come in two pieces.
  tell('{"done":0}\n{"do')
  tell('ne":0.4}\n')
  await waitFor(() => expect(bar().value).toBe(0.4))
  await press('Stop')
  await screen.findByText('Stopped.')
  expect(stopped).toBe(1)
  await press('Start again')
  await waitFor(() => expect(asked).toHaveLength(2))
  tell(`${JSON.stringify({ proposals: [PROPOSAL] })}\n`)
  out.close()
  await screen.findByRole('button', { name: 'Its number is in the text' })
  expect(screen.queryByRole('progressbar')).toBeNull()
})
