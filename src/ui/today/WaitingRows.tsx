'use client'
import { RowPicture } from '../RowPicture'
import { To } from '../To'
import type { Packed } from '../pack'
import { useDrawnToRead } from '../useDrawn'
import { useUnpacked } from '../useUnpacked'

/** A thing to do in its words: sixty stand on the page, so each is sent as these and drawn once. */
export interface DrawnWaiting {
  readonly id: number
  readonly customer: string
  readonly title: string
  readonly why: string
  readonly worth: string
  readonly act: string
  readonly href: string
  readonly edge: string
  /** Where the payment is taken that a reminder asks for. */
  readonly takeHref?: string
  readonly notNowHref: string
}

interface Props {
  readonly rows: Packed<readonly DrawnWaiting[]>
  /** So many of them are there with the page. */
  readonly first: number
}

export const WaitingRows = ({ rows, first }: Props) =>
  useDrawnToRead(useUnpacked(rows), first).map((row) => <WaitingRow key={row.id} {...row} />)

const WaitingRow = (w: DrawnWaiting) => (
  <li className="flex flex-wrap items-center gap-x-3 gap-y-1 border-b border-paper-200 py-1.5">
    <span aria-hidden className={`min-h-10 w-1.5 shrink-0 self-stretch ${w.edge}`} />
    <div className="min-w-0 flex-1 max-sm:basis-1/2">
      <To href={`/sales/${w.id}`} className="block font-bold hover:underline one-line">
        {w.customer}
        <span className="font-normal text-iron-500"> · {w.title}</span>
      </To>
      <div className="sub one-line" title={w.why}>
        {w.why}
      </div>
    </div>
    <span className="fig">{w.worth}</span>
    <span className="no-print flex items-center gap-3 max-sm:w-full max-sm:pl-4.5">
      <To data-row stay href={w.href} className="btn w-37.5" aria-label={`${w.act}: ${w.customer}`}>
        {w.act}
      </To>
      {w.takeHref ? (
        <To
          data-row-key="t"
          href={w.takeHref}
          className="p-1 text-iron-500 hover:text-iron-900"
          aria-label={`Take payment: ${w.customer}`}
          title="Take payment"
        >
          <RowPicture name="payment" />
        </To>
      ) : (
        <span className="w-6 max-sm:hidden" />
      )}
      <To
        data-row-key="b"
        stay
        href={w.notNowHref}
        className="p-1 text-iron-500 hover:text-iron-900"
        aria-label={`Not now: ${w.customer}, ${w.act}`}
        title="Not now: postpone or dismiss"
      >
        <RowPicture name="later" />
      </To>
    </span>
  </li>
)
