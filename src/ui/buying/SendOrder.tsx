'use client'
import { LetterForm } from '../post/LetterForm'

const schema = () => import('@/contract/inputs/buying/orders').then((m) => m.sendOrderInput.omit({ orderId: true }))
const BY_MAIL = { mail: true }

/** The e-mail an order goes out with, its PDF attached: read before it is sent. */
export const SendOrder = ({ id, onDone }: { readonly id: number; readonly onDone: () => void }) => (
  <LetterForm
    paper="purchase-order"
    paperId={id}
    path={`/purchase-orders/${id}/send`}
    schema={schema}
    about={BY_MAIL}
    submit="Send"
    onDone={onDone}
  />
)
