'use client'
import { useState, type ReactNode } from 'react'
import { lazily } from '../../lazily'
import { Panel } from '../../Panel'
import { LetterToWrite } from '../../post/LetterPanel'
import type { Doing } from '../saleActs'
import type { PanelProps } from './parts'

const TITLE: Readonly<Record<Doing, string>> = {
  offer: 'Send the estimate',
  agree: 'Customer accepted',
  'hand-over': 'Hand over',
  'strike-off': 'Strike off',
  'replace-part': 'Replace a part',
  bill: 'Invoice',
  'ask-deposit': 'Ask for a deposit',
  'pay-how': 'Payment terms',
  decline: 'Mark as declined',
  cancel: 'Cancel the sale',
  'put-off': 'Not now',
  repeat: 'Repeat this sale',
  link: 'Customer’s page',
  email: 'Send email',
  remind: 'Send reminder',
  'pay-off': 'Pay off early',
  reschedule: 'Reschedule',
  card: 'Charge card automatically',
  'give-up': 'Cancel layaway',
  promise: 'Promise to pay',
  held: 'Held money',
  'write-off': 'Write off',
  'charge-late': 'Late fee',
}

const Remind = lazily(() => import('../../owed/Remind').then((m) => m.Remind))

const PANEL: Readonly<Record<Doing, (props: PanelProps) => ReactNode>> = {
  offer: lazily(() => import('./Offer').then((m) => m.Offer)),
  agree: lazily(() => import('./Agree').then((m) => m.Agree)),
  'hand-over': lazily(() => import('./HandOver').then((m) => m.HandOver)),
  'strike-off': lazily(() => import('./StrikeOff').then((m) => m.StrikeOff)),
  'replace-part': lazily(() => import('./ReplacePart').then((m) => m.ReplacePart)),
  bill: lazily(() => import('./Bill').then((m) => m.Bill)),
  'ask-deposit': lazily(() => import('./AskDeposit').then((m) => m.AskDeposit)),
  'pay-how': lazily(() => import('./PayHow').then((m) => m.PayHow)),
  decline: lazily(() => import('./Close').then((m) => m.Decline)),
  cancel: lazily(() => import('./Close').then((m) => m.Cancel)),
  'put-off': lazily(() => import('./PutOff').then((m) => m.PutOff)),
  repeat: lazily(() => import('./Repeat').then((m) => m.Repeat)),
  link: lazily(() => import('./GiveLink').then((m) => m.GiveLink)),
  email: ({ sale, onClose }) => (
    <LetterToWrite paper={sale.agreed ? 'confirmation' : 'estimate'} paperId={sale.id} onDone={onClose} />
  ),
  remind: ({ sale, onClose }) => <Remind customerId={sale.customerId} onDone={onClose} />,
  'pay-off': lazily(() => import('./PayOff').then((m) => m.PayOff)),
  reschedule: lazily(() => import('./Reschedule').then((m) => m.Reschedule)),
  card: lazily(() => import('./KeepCard').then((m) => m.KeepCard)),
  'give-up': lazily(() => import('./GiveUp').then((m) => m.GiveUp)),
  promise: lazily(() => import('./PromisePay').then((m) => m.PromisePay)),
  held: lazily(() => import('./HeldMoney').then((m) => m.HeldMoney)),
  'write-off': lazily(() => import('./WriteOff').then((m) => m.WriteOff)),
  'charge-late': lazily(() => import('./ChargeLate').then((m) => m.ChargeLate)),
}

interface Props extends PanelProps {
  readonly doing: Doing
  /** Changes whenever something happened to the sale. */
  readonly version: string
}

/**
 * One thing done with a sale, in its panel. It begins anew with new figures whenever something happened to the sale; from the
 * first key typed in it on it stays as it is, with the sale as it was, and says so.
 */
export const DoPanel = ({ doing, sale, version, ...props }: Props) => {
  const What = PANEL[doing]
  const [kept, setKept] = useState<Pick<Props, 'sale' | 'version'> | null>(null)
  const shown = kept ?? { sale, version }
  return (
    <Panel
      key={shown.version}
      open
      onClose={props.onClose}
      onTyped={() => kept ?? setKept({ sale, version })}
      title={TITLE[doing]}
    >
      {shown.version !== version && (
        <div role="status" className="notice mb-3">
          This sale has changed since you opened this.{' '}
          <button type="button" className="underline" onClick={() => setKept(null)}>
            Start over with what is true now
          </button>
        </div>
      )}
      {(doing !== 'put-off' || shown.sale.step) && <What {...props} sale={shown.sale} />}
    </Panel>
  )
}
