import { formatBalance, formatMoney, type Money } from '@/core/money'

interface Props {
  readonly of: Money
  /** Zero is left blank, as in a column of a ledger. */
  readonly blankZero?: boolean
  /** A credit balance reads `120.00 cr`. */
  readonly asBalance?: boolean
  readonly className?: string
}

/** An amount, set in the ledger's figures. */
export const Figure = ({ of, blankZero, asBalance, className = '' }: Props) =>
  blankZero && of.minor === 0n ? null : (
    <span className={`fig ${className}`}>{asBalance ? formatBalance(of) : formatMoney(of)}</span>
  )
