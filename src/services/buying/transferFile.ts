import type { Day } from '@/core/day'
import { sumMoney, toDecimalString, type Money } from '@/core/money'
import { writeXml } from '@/core/xml'

/** A bank account: an IBAN, or a number with the routing number of its bank. */
export interface BankAccount {
  readonly name: string
  readonly iban: string
  readonly bic: string
  readonly routing: string
  readonly account: string
}

/** One transfer of a file. */
export interface Transfer {
  /** Ours, told to them: at most 35 characters. */
  readonly reference: string
  readonly to: BankAccount
  readonly amount: Money
  readonly about: string
}

/** Text as banks carry it: one line, so many characters. */
const line = (text: string, most: number): string => text.replace(/\s+/g, ' ').trim().slice(0, most)

const NOT_PROVIDED = 'NOTPROVIDED'

const accountOf = ({ iban, account }: BankAccount) => ({
  Id: iban === '' ? { Othr: { Id: line(account || NOT_PROVIDED, 34) } } : { IBAN: iban },
})

const agentOf = ({ bic, routing }: BankAccount) => ({
  FinInstnId:
    bic !== ''
      ? { BICFI: bic }
      : routing !== ''
        ? { ClrSysMmbId: { ClrSysId: { Cd: 'USABA' }, MmbId: line(routing, 35) } }
        : { Othr: { Id: NOT_PROVIDED } },
})

const transferOf = ({ reference, to, amount, about }: Transfer) => ({
  PmtId: { EndToEndId: line(reference, 35) },
  Amt: { InstdAmt: { '@_Ccy': amount.currency, '#text': toDecimalString(amount) } },
  CdtrAgt: agentOf(to),
  Cdtr: { Nm: line(to.name, 140) },
  CdtrAcct: accountOf(to),
  RmtInf: { Ustrd: line(about, 140) },
})

/**
 * Transfers as a file for the bank: ISO 20022, pain.001.001.09, one payment block. The sums and counts are those of the
 * transfers; an account without IBAN goes by its number, a bank without BIC by its routing number.
 */
export const transferFile = (
  from: BankAccount,
  { id, on, currency }: { readonly id: string; readonly on: Day; readonly currency: string },
  transfers: readonly Transfer[],
): string => {
  const sum = sumMoney(
    transfers.map((t) => t.amount),
    currency,
  )
  const counted = { NbOfTxs: String(transfers.length), CtrlSum: toDecimalString(sum) }
  return writeXml({
    Document: {
      '@_xmlns': 'urn:iso:std:iso:20022:tech:xsd:pain.001.001.09',
      CstmrCdtTrfInitn: {
        GrpHdr: { MsgId: line(id, 35), CreDtTm: `${on}T00:00:00`, ...counted, InitgPty: { Nm: line(from.name, 140) } },
        PmtInf: {
          PmtInfId: line(id, 35),
          PmtMtd: 'TRF',
          ...counted,
          ReqdExctnDt: { Dt: on },
          Dbtr: { Nm: line(from.name, 140) },
          DbtrAcct: accountOf(from),
          DbtrAgt: agentOf(from),
          CdtTrfTxInf: transfers.map(transferOf),
        },
      },
    },
  })
}
