import { type Decimal, formatMoney } from '@/core/money'
import type { Failure } from './failure'
import { formatDay } from '@/core/day'

const n = (d: Decimal): string => d.toString()

type Sentences = { readonly [C in Failure['code']]: (f: Extract<Failure, { code: C }>) => string }

/** What the owner reads: what, why, and what now. */
const SENTENCES: Sentences = {
  invalid: (f) =>
    `Please look again: ${f.errors.map((e) => (e.path ? `${e.path}: ${e.message}` : e.message)).join(' ')}`,
  'not-found': (f) => `There is no ${f.what} ${f.id}. It may have been typed wrong; look it up in its list.`,
  'already-set-up': () => 'The business is set up already. Sign in, and change it in Settings.',
  'not-set-up': () => 'The business is not set up yet. Give it a name, a currency and a passphrase first.',
  'wrong-passphrase': () => 'That is not the passphrase. Nothing was done; try again.',
  'too-many-tries': () => 'Too many tries at once. Wait a few seconds, then try again.',
  'prove-again': () => 'Type your passphrase again for this. It was a while since you did.',
  'shown-once': () =>
    'This was done before, and its secret is shown once only. Withdraw it, and make another with a new key.',
  'under-way': () => 'This was sent a moment ago and is being done. Ask again in a few seconds.',
  'posted-already': () => 'Something is posted already, so the opening day stays.',
  'shop-full': () =>
    'There is more waiting on our shopfront than we can look at just now. Call us, and we will gladly help.',
  'key-reused': () =>
    'What was sent before may have been done already, and this is not the same. Look whether it was; to do this too, send it again (over HTTP with a new Idempotency-Key).',
  taken: (f) => `The ${f.what} ${f.value} is taken. Choose another.`,
  'period-closed': (f) => `The books are closed through ${formatDay(f.through)}. Choose a later date.`,
  'date-ahead': (f) =>
    `${formatDay(f.on)} is after today, ${formatDay(f.today)}. What counts is dated today or before; look at the year, and choose an earlier day.`,
  'not-before': (f) => `${f.what} Date it ${formatDay(f.from)} or later.`,
  'close-before-today': (f) => `Books close through a day before today, ${formatDay(f.today)}. Choose an earlier day.`,
  'not-closed': (f) =>
    f.through
      ? `The books are closed through ${formatDay(f.through)} only. Choose an earlier day to reopen to.`
      : 'The books are not closed. There is nothing to reopen.',
  'recovered-already': (f) => `Nothing of ${f.number} is written off any more. It was taken back before.`,
  'billed-is-credited': (f) =>
    `Only ${n(f.left)} of ${f.line} of this handover can come back without a credit, ${n(f.asked)} asked. What is invoiced comes back with a credit note.`,
  'nothing-on-sale': () => 'There is nothing on this sale yet. Add a line first.',
  joined: (f) => `${f.name} was joined to customer ${f.to}. Use that one; all papers stand there.`,
  'same-place': () => 'That money is there already. Choose where it comes from and where it goes.',
  'banked-already': (f) =>
    `Receipt ${f.number} was taken to the bank. Say that it bounced instead; that takes it out of the bank again.`,
  'cannot-bounce': (f) => `Receipt ${f.number} came by ${f.method}; only cheques and cards come back. Void it instead.`,
  'not-late': (f) => `This is not late: it is due ${formatDay(f.due)}, or paid. Nothing was charged.`,
  'charged-already': () => 'This was charged for being late before. One charge each is enough.',
  'no-late-charge': () => 'No late charge was agreed for this, or the grace days still run. Name an amount, or wait.',
  'not-this-arrangement': (f) => `This sale is not paid by ${f.needs}. Arrange it so first.`,
  'no-plan': () => 'There is no installment plan that runs on this sale. It begins with its invoice.',
  'which-plan': (f) => `This sale has ${f.count} plans that run. Say which one.`,
  'before-plan': (f) => `The plan began on ${formatDay(f.startedOn)}. Choose that day or a later one.`,
  'nothing-open': () => 'Nothing is open there. It may have been paid a moment ago.',
  'layaway-not-paid-up': (f) =>
    `${formatMoney(f.left)} of the layaway is still to come, so the goods stay. Take it first, or turn the rest into installments or terms.`,
  'layaway-billed-at-handover': () =>
    'A layaway is billed when the goods go, by itself. Hand them over when it is paid up, or arrange it another way first.',
  'reminded-lately': (f) => `A reminder went out on ${formatDay(f.on)}. The next may go from ${formatDay(f.again)}.`,
  'nothing-late': (f) => `Nothing of ${f.name} is late enough for a reminder.`,
  'drawer-short': (f) =>
    `Only ${formatMoney(f.there)} is in the drawer by the books, ${formatMoney(f.asked)} was asked. Take less, or count the drawer.`,
  'not-to-bank': (f) =>
    `Receipt ${f.number} cannot be taken along: it was taken back, went to the bank before, or came another way.`,
  'nothing-to-bank': () => 'There is nothing on the slip. Choose cash or cheques first.',
  'no-such-step': (f) => `This sale has no step “${f.step}” now. Something happened since; look at what is next.`,
  'no-address': (f) => `${f.name} has no e-mail address. Write one here, or add it to the customer.`,
  'letter-not-waiting': (f) =>
    f.state === 'dropped'
      ? 'That letter was thrown away. Write another one.'
      : 'That letter came back. Write another one, to an address that takes it.',
  'letter-gone': (f) => `That letter has gone to ${f.to} already. Write another one.`,
  'link-closed': () => 'This page is no longer open. Ask us for a new link.',
  'offer-lapsed': (f) => `This estimate was good through ${formatDay(f.on)}. Ask us, and we will renew it.`,
  'newer-offer': () => 'The estimate was changed while you were reading. Look at it again, then answer.',
  'not-offered': () => 'There is no estimate to answer here now. It may have been answered already.',
  'nothing-to-pay': () => 'Nothing is open here now. It may have been paid a moment ago.',
  'more-than-to-pay': (f) =>
    `Only ${formatMoney(f.open)} is open, ${formatMoney(f.asked)} was given. Pay ${formatMoney(f.open)}.`,
  'card-refused': (f) => `The card was refused: ${f.why} Nothing was taken. Try another card, or pay another way.`,
  'shopfront-closed': () => 'The shop is closed just now. Call us, and we will gladly help.',
  'basket-gone': () => 'This basket is empty or was ordered already. Begin a new one.',
  'basket-empty': () => 'There is nothing in the basket yet. Put something in first.',
  'basket-moved': () => 'The basket was changed on the other side. Look at it again, then order.',
  'rows-wrong': (f) =>
    `${f.count} rows cannot be read, the first is row ${f.first.row}: ${f.first.message} Nothing was imported. Mend them, or leave them out.`,
  'same-customer': () => 'That is the same customer. Choose the other record to join.',
  'walk-in-stays': () => 'The walk-in customer stands for everybody without a name and cannot be joined.',
  'two-of-one-choice': (f) => `Only one of “${f.group}” can be taken. Choose one, and leave the others out.`,
  'no-such-kind': (f) => `${f.kind} is not a kind of sale here. There are ${f.kinds.join(', ')}; add more in Settings.`,
  'already-agreed': (f) => `This sale was agreed on ${formatDay(f.on)}. Change what is agreed instead.`,
  'not-agreed': () => 'This sale is not agreed yet. Agree it first; then it can be handed over and billed.',
  'sale-closed': (f) => `This sale was ${f.as} on ${formatDay(f.on)}. Copy it to a new sale if it comes back to life.`,
  'held-first': (f) => `${formatMoney(f.held)} is held for this sale. Refund it or move it first; then close the sale.`,
  'goods-or-bills-first': () =>
    'Something was handed over or billed already. Take it back and credit it first, or change what is agreed to what was done.',
  'less-than-done': (f) =>
    `${n(f.least)} of ${f.line} was handed over or billed already. It cannot be changed to less; credit it instead.`,
  'price-fixed': (f) =>
    `Part of ${f.line} was billed at its price. Add a new line for the rest, or credit the invoice.`,
  'more-than-offered': (f) =>
    `${n(f.offered)} of ${f.line} was offered, ${n(f.asked)} agreed. Change the sale first if they want more.`,
  'more-than-agreed': (f) =>
    `Only ${n(f.left)} of ${f.line} is left to hand over, ${n(f.asked)} asked. Hand over ${n(f.left)}, or change what is agreed.`,
  'nothing-to-hand-over': () => 'Nothing of this sale can be handed over now. Buy what is short, or count the shelf.',
  'not-enough-stock': (f) =>
    `Only ${n(f.onHand)} of ${f.goods} on the shelf, ${n(f.asked)} asked. ${f.onHand.gt(0) ? `Hand over ${n(f.onHand)} now, buy ${n(f.asked.minus(f.onHand))}` : `Buy ${n(f.asked)}`}, or count the shelf.`,
  'nothing-to-bill': (f) =>
    f.what === 'handed-over'
      ? 'Nothing was handed over that is not billed. Hand something over, or bill what remains.'
      : 'Everything agreed is billed. Change what is agreed if something came up.',
  'more-than-to-bill': (f) =>
    `Only ${n(f.left)} of ${f.line} is left to bill, ${n(f.asked)} asked. Bill ${n(f.left)}, or change what is agreed.`,
  'already-issued': (f) => `Invoice ${f.number} is issued, so it stays as it is. Write a credit note to mend it.`,
  'not-issued': () => 'This invoice is still a draft. Change it or throw it away; only issued invoices are credited.',
  'not-creditable': () => 'A credit note cannot be credited. Bill again instead.',
  'more-than-billed': (f) => `Only ${n(f.left)} of ${f.line} is left to credit on this invoice, ${n(f.asked)} asked.`,
  'more-than-invoice-left': (f) =>
    `Only ${formatMoney(f.left)} of this invoice is not credited yet, ${formatMoney(f.asked)} asked.`,
  'more-than-handed-over': (f) =>
    `Only ${n(f.left)} of ${f.line} was handed over and not taken back, ${n(f.asked)} asked. Credit it without goods coming back.`,
  'more-than-open': (f) =>
    `Only ${formatMoney(f.open)} is open there, ${formatMoney(f.asked)} was put on it. Put ${formatMoney(f.open)} on it and leave the rest on account.`,
  'due-not-open': (f) =>
    `Nothing is open on due ${f.dueId}. It may have been paid a moment ago; look at what is open now.`,
  'before-invoice': (f) =>
    `The money is dated ${formatDay(f.on)}, the invoice ${formatDay(f.issuedOn)}. Date the receipt on or after the invoice, or take it on account.`,
  'more-than-received': (f) =>
    `${formatMoney(f.received)} came in, ${formatMoney(f.asked)} is put on dues. Take some off.`,
  'tendered-too-little': (f) =>
    `${formatMoney(f.total)} is to pay, only ${formatMoney(f.tendered)} given. Take the rest, or write an invoice instead.`,
  'who-pays': () => 'Say who pays: choose a customer, or name what the money is for.',
  'other-customer': () => 'One of the things paid belongs to another customer. Take one receipt for each customer.',
  'already-voided': (f) => `Receipt ${f.number} was voided before.`,
  'void-counter-sale': (f) =>
    `Receipt ${f.number} belongs to a counter sale. Write a credit note for it and give the money back.`,
  'held-was-used': () => 'The money of this receipt that was held has been used since. Credit or refund that first.',
  'more-than-held': (f) => `Only ${formatMoney(f.held)} is held there, ${formatMoney(f.asked)} asked.`,
  'nothing-asked': () => 'Say how much: a percentage or an amount above zero.',
  'entry-unbalanced': (f) => `Debits and credits differ by ${formatMoney(f.difference)}. Make both sides equal.`,
  'account-kept-by-papers': (f) =>
    `${f.account} is kept by papers (invoices, receipts, handovers), so that it always agrees with them. Write the paper instead.`,
  'close-order': (f) => `The books are closed through ${formatDay(f.through)} already. Choose a later day.`,
  'first-payment-too-large': (f) =>
    `The first payment ${formatMoney(f.first)} is more than the total ${formatMoney(f.total)}.`,
  'payment-does-not-cover-charge': () =>
    'The payments would not even cover the charge. Choose fewer payments or a lower rate.',
}

export const sentence = (failure: Failure): string => (SENTENCES[failure.code] as (f: Failure) => string)(failure)
