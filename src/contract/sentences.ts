import { type Decimal, formatMoney, subtractMoney } from '@/core/money'
import { METHOD_NAMES } from '@/core/names'
import type { Failure } from './failure'
import { formatDay } from '@/core/day'
import { sayStatementProblem } from './statementProblems'

const n = (d: Decimal): string => d.toString()

type Sentences = { readonly [C in Failure['code']]: (f: Extract<Failure, { code: C }>) => string }

/** What the owner reads: what, why, and what now. */
const SENTENCES: Sentences = {
  invalid: (f) =>
    `Please look again: ${f.errors.map((e) => (e.path ? `${e.path}: ${e.message}` : e.message)).join(' ')}`,
  'not-found': (f) => `There is no ${f.what} ${f.id}. Check the number, or search for it.`,
  'already-set-up': () => 'The business is set up already. Sign in, and change it in Settings.',
  'not-set-up': () => 'The business is not set up yet. Give it a name, a currency and a passphrase first.',
  'wrong-passphrase': () => 'Wrong passphrase. Try again.',
  'too-many-tries': () => 'Too many tries at once. Wait a few seconds, then try again.',
  'code-needed': () => 'Enter the code your authenticator app shows.',
  'wrong-code': () => 'Wrong code. Enter the one your app shows now, or a spare code; each counts once.',
  'codes-wait': () => 'Too many wrong codes. Wait a quarter of an hour, then try again.',
  'codes-sealed-elsewhere': () =>
    'One-time codes were set up with another key. Start the program with that TILL_SEAL_KEY, or with TILL_FORGET_CODES=1.',
  'codes-not-begun': () => 'One-time codes are off. Set them up first.',
  'codes-are-on': () => 'One-time codes are on already. Turn them off first.',
  'prove-again': () => 'Enter your passphrase again for this; it has been a while.',
  'shown-once': () =>
    'This was done before, and its secret is shown only once. Revoke it and create another with a new key.',
  'under-way': () => 'This was sent a moment ago and is being done. Ask again in a few seconds.',
  'posted-already': () => 'Entries are posted already, so the first day of your books cannot change.',
  'shop-full': () => 'We have more open baskets than we can handle right now. Please call us.',
  'key-reused': () =>
    'What you sent before may already be done, and this is different. Check first; to do this too, send it again (over HTTP with a new Idempotency-Key).',
  taken: (f) => `The ${f.what} ${f.value} is already in use. Choose another.`,
  'period-closed': (f) => `The books are closed through ${formatDay(f.through)}. Choose a later date.`,
  'date-ahead': (f) =>
    `${formatDay(f.on)} is after today, ${formatDay(f.today)}. Choose today or an earlier date, and check the year.`,
  'not-before': (f) => `${f.what} Use ${formatDay(f.from)} or a later date.`,
  'close-before-today': (f) => `Books close through a day before today, ${formatDay(f.today)}. Choose an earlier day.`,
  'not-closed': (f) =>
    f.through
      ? `The books are closed through ${formatDay(f.through)} only. Choose an earlier day to reopen to.`
      : 'The books are not closed. There is nothing to reopen.',
  'recovered-already': (f) => `${f.number} is no longer written off. It was undone before.`,
  'billed-is-credited': (f) =>
    `Only ${n(f.left)} ${f.line} of this handover can be returned without a credit note (you entered ${n(f.asked)}). Invoiced goods are returned with a credit note.`,
  'nothing-on-sale': () => 'This sale has no lines yet. Add a line first.',
  joined: (f) => `${f.name} was merged into another customer. Use that record.`,
  'same-place': () => 'The money is already there. Choose a different destination.',
  'banked-already': (f) => `Receipt ${f.number} is already banked and cannot be voided. Use “Payment bounced” instead.`,
  'cannot-bounce': (f) =>
    `Receipt ${f.number} was paid by ${METHOD_NAMES[f.method].toLowerCase()}. Only check and card payments can bounce. Void it instead.`,
  'is-set-off': (f) => `${f.number} is one half of set-off ${f.setOff}. Void the set-off, on the supplier’s page.`,
  'nothing-to-set-off': (f) =>
    `There is nothing to set off: ${f.name} owes ${formatMoney(f.owed)} and is owed ${formatMoney(f.owe)}.`,
  'nothing-to-retry': () => 'This was delivered, or its webhook was ended. There is nothing to send again.',
  'not-late': (f) => `This is not late (due ${formatDay(f.due)}, or already paid). No fee was added.`,
  'charged-already': () => 'A late fee was already added for this payment.',
  'no-late-charge': () => 'No late fee was agreed, or the grace period is not over. Enter an amount, or wait.',
  'not-this-arrangement': (f) => `This sale has no ${f.needs} terms. Change the payment terms first.`,
  'no-plan': () => 'This sale has no active payment plan. The plan starts with the invoice.',
  'which-plan': (f) => `This sale has ${f.count} active plans. Choose one.`,
  'before-plan': (f) => `The plan began on ${formatDay(f.startedOn)}. Choose that day or a later one.`,
  'nothing-open': () => 'Nothing is unpaid. It may have just been paid.',
  'layaway-not-paid-up': (f) =>
    `${formatMoney(f.left)} is still unpaid, so the goods stay on layaway. Take the payment first, or change the balance to installments or net terms.`,
  'layaway-billed-at-handover': () =>
    'A layaway is invoiced automatically at handover. Hand over when it is paid, or change the payment terms first.',
  'reminded-lately': (f) =>
    `A reminder was sent on ${formatDay(f.on)}. The next can be sent from ${formatDay(f.again)}.`,
  'nothing-late': (f) => `${f.name} has nothing late enough for a reminder.`,
  'drawer-short': (f) =>
    `The drawer should hold only ${formatMoney(f.there)}, less than ${formatMoney(f.asked)}. Enter a smaller amount, or count the drawer.`,
  'not-to-bank': (f) => `Receipt ${f.number} cannot go on this slip: it was voided, already banked, or not a check.`,
  'nothing-to-bank': () => 'The slip is empty. Add cash or checks.',
  'no-such-step': (f) => `The step “${f.step}” is no longer needed. See what is next.`,
  'no-address': (f) => `${f.name} has no email address. Enter one here, or on the customer’s page.`,
  'letter-not-waiting': (f) =>
    f.state === 'dropped'
      ? 'This email was discarded. Write another one.'
      : 'This email bounced. Write another one, to an address that works.',
  'letter-gone': (f) => `This email was already sent to ${f.to}.`,
  'letter-going': (f) => `This email is being sent to ${f.to} just now. Look again in a moment.`,
  'link-closed': () => 'This page is no longer open. Ask us for a new link.',
  'offer-lapsed': (f) => `This estimate expired on ${formatDay(f.on)}. Contact us and we will renew it.`,
  'newer-offer': () => 'The estimate has changed. Please review it and answer again.',
  'sale-changed': (f) =>
    `Sale ${f.number} was changed or accepted since you opened it. Nothing was saved, and what you entered is still here. Open the sale again and make your change there.`,
  'changed-since': (f) =>
    `${f.name} was changed in another window since you opened it. Nothing was saved, and what you entered is still here. Open it again and make your change there.`,
  'offer-reworked': () => 'We are revising this estimate. Please wait for the new one, or call us.',
  'estimate-reworked': (f) =>
    `This estimate has changed since it was sent on ${formatDay(f.sentOn)}. Send it again first, then write about it.`,
  'not-offered': () => 'This estimate has already been answered, or is no longer open.',
  'nothing-to-pay': () => 'Nothing is due. It may have just been paid.',
  'more-than-to-pay': (f) =>
    `Only ${formatMoney(f.open)} is due (you entered ${formatMoney(f.asked)}). Please pay ${formatMoney(f.open)} or less.`,
  'card-refused': (f) =>
    `The card was declined: ${f.why} You were not charged. Try another card, or another way to pay.`,
  'shopfront-closed': () => 'The online shop is closed right now. Please call us.',
  'basket-gone': () => 'This basket is empty or already ordered. Start a new one.',
  'basket-empty': () => 'The basket is empty. Add an item first.',
  'basket-moved': () => 'We have just changed your basket. Please review it and order again.',
  'rows-wrong': (f) =>
    `${f.count} rows have errors (the first is row ${f.first.row}: ${f.first.message}) Nothing was imported. Fix them, or skip them.`,
  'same-customer': () => 'That is the same customer. Choose the duplicate to merge.',
  'walk-in-stays': () => 'The walk-in customer stays: it cannot be merged or deleted.',
  'two-of-one-choice': (f) => `Choose only one of “${f.group}”.`,
  'no-such-kind': (f) => `“${f.kind}” is not one of your types of sale (${f.kinds.join(', ')}). Add it in Settings.`,
  'already-agreed': (f) => `This sale became an order on ${formatDay(f.on)}. Change the order instead.`,
  'not-agreed': () => 'This is not an order yet. Mark it as accepted first.',
  'sale-closed': (f) =>
    `This sale was ${f.as === 'cancelled' ? 'canceled' : f.as} on ${formatDay(f.on)}. Copy it to a new sale to continue.`,
  'held-first': (f) => `${formatMoney(f.held)} is held for this sale. Refund or move it before closing the sale.`,
  'goods-or-bills-first': () =>
    'Goods were already handed over or invoiced. Return and credit them first, or reduce the order to what was delivered.',
  'less-than-done': (f) =>
    `${n(f.least)} ${f.line} already handed over or invoiced. Credit them instead of reducing the order.`,
  'price-fixed': (f) => `Part of ${f.line} is already invoiced at this price. Add a new line, or credit the invoice.`,
  'more-than-offered': (f) =>
    `Only ${n(f.offered)} ${f.line} on the estimate (you entered ${n(f.asked)}). Change the lines first if they want more.`,
  'more-than-agreed': (f) =>
    `Only ${n(f.left)} ${f.line} left to hand over (you entered ${n(f.asked)}). Enter ${n(f.left)}, or change the order.`,
  'no-bank': (f) =>
    `No bank account of ${f.name} is kept. Add an IBAN, or a routing and account number, to the supplier first.`,
  'no-own-bank': () => 'The file for the bank needs your own IBAN. Enter it in Settings, then pay.',
  'cost-was-spread': (f) => `A line of ${f.number} was spread over goods already. Take that cost off the goods first.`,
  'no-e-invoice': () => 'There is no e-invoice in this PDF. Enter the bill from what it shows.',
  'e-invoice-unreadable': () =>
    'This file cannot be read: it is damaged, locked or too much at once. Enter the bill from what it shows.',
  'nothing-to-order': () => 'Nothing is short that is not on order already. Say what to order after all.',
  'no-supplier': (f) => `Nobody is named who sells ${f.goods}. Add a supplier to it under Goods first.`,
  'order-closed': (f) => `Order ${f.number} is closed. Write a new one for what is wanted after all.`,
  'less-than-came': (f) => `${n(f.least)} ${f.line} already came or were billed. Order at least as many.`,
  'more-than-ordered': (f) =>
    `Only ${n(f.left)} ${f.line} are still to come (you entered ${n(f.asked)}). Enter ${n(f.left)}, or say that more came.`,
  'more-than-came': (f) =>
    `Only ${n(f.left)} ${f.line} are not billed yet (you entered ${n(f.asked)}). Compare their bill with what came.`,
  'bill-not-open': (f) =>
    `Only ${formatMoney(f.open)} of ${f.number} is open on that day (you entered ${formatMoney(f.asked)}). Enter at most that.`,
  'bill-is-paid': (f) => `Something was paid on ${f.number} already. Void that payment first.`,
  'came-since': (f) =>
    `${f.line} of ${f.number} came since, at its price. Enter what is wrong as a bill of its own instead.`,
  'not-here-any-more': (f) =>
    `Only ${n(f.there)} ${f.goods} of these are still here on that day (you entered ${n(f.asked)}); the others were sold or used. Send back what is here, or take the others back first.`,
  'more-than-came-back': (f) =>
    `Only ${n(f.left)} ${f.line} of these are left to send back (you entered ${n(f.asked)}). Enter at most that.`,
  'more-than-went-back': (f) =>
    `Only ${n(f.left)} ${f.line} were billed, sent back and not credited yet (you entered ${n(f.asked)}). Send them back first, or enter an amount.`,
  'all-went-back': (f) => `All of ${f.number} went back already.`,
  'receipt-went-on': (f) =>
    `Part of ${f.number} was billed or sent back. Void that bill first, or send back what is still here.`,
  'went-back': (f) =>
    `Some ${f.line} of ${f.number} went back to the supplier. Enter their credit on the bill instead of voiding it.`,
  'bill-was-credited': (f) =>
    `The supplier credited part of ${f.number}. Enter what is wrong as another credit or bill.`,
  'more-than-bill': (f) =>
    `Only ${formatMoney(f.left)} of ${f.number} is left to credit (you entered ${formatMoney(f.asked)}). Enter at most that.`,
  'advance-was-used': () =>
    'Part of this payment was paid in advance and used for a bill since. Void that bill first, or choose a later date.',
  'nothing-to-hand-over': () => 'Nothing can be handed over now. Order what is short, or recount the stock.',
  'not-enough-stock': (f) =>
    `Only ${n(f.onHand)} ${f.goods} in stock, ${n(f.asked)} needed. ${f.onHand.gt(0) ? `Hand over ${n(f.onHand)} now and order ${n(f.asked.minus(f.onHand))}` : `Order ${n(f.asked)}`}, or recount the stock.`,
  'no-such-serial': (f) => `There is no ${f.goods} with serial ${f.serial}. Check the number, or count it first.`,
  'serial-elsewhere': (f) => `Serial ${f.serial} is in ${f.place}. Take it from there, or move it first.`,
  'serial-there': (f) => `Serial ${f.serial} is in stock already, in ${f.place}. Check the number, or move it.`,
  'serial-gone': (f) =>
    `Serial ${f.serial} left on ${formatDay(f.on)} (${f.with}). Take another one, or have it returned first.`,
  'no-such-lot': (f) =>
    `There is no lot ${f.lot} of ${f.goods}. ${f.lots.length > 0 ? `In stock: ${f.lots.join(', ')}.` : 'Count it first.'}`,
  'lot-past': (f) =>
    `Lot ${f.lot} of ${f.goods} expired on ${formatDay(f.expired)}. Take another lot, and adjust this one off.`,
  'lot-expires': (f) =>
    `Lot ${f.lot} ${f.expires ? `expires on ${formatDay(f.expires)}` : 'does not expire'}, as it was entered before. Use the same date, or another lot.`,
  'not-in-lot': (f) =>
    `Lot ${f.lot} has only ${n(f.there)} ${f.goods}, ${n(f.asked)} needed. Take ${n(f.there)} of it and the rest of another lot, or recount the stock.`,
  'carrier-refused': (f) =>
    `${f.carrier} did not take the parcels: ${f.why} Correct the address, then send again. Nothing was handed over.`,
  'pick-open': (f) => `Pick list ${f.number} of this sale is not done yet. Go on with it, or delete it first.`,
  'changed-meanwhile': (f) =>
    `${f.what} was changed meanwhile. Look at it again, then send it. Nothing was handed over.`,
  'pick-sent': (f) => `Pick list ${f.number} is sent and stays as it is. What went too much comes back with a return.`,
  'whole-serials': (f) =>
    `${f.goods} goes by serial, one whole piece each (you entered ${n(f.asked)}). Enter a whole number.`,
  'tracking-is-fixed': (f) =>
    `${f.goods} has been in stock already, so how it is tracked and costed stays as it is. Add it again under another code instead.`,
  'not-at-place': (f) =>
    `${f.place} has only ${n(f.there)} ${f.goods}, ${n(f.asked)} needed. ${f.instead ? `${f.instead.place} has ${n(f.instead.there)}: take them from there` : `Take ${n(f.there)}`}, or recount the stock.`,
  'nothing-to-bill': (f) =>
    f.what === 'handed-over'
      ? 'Everything handed over is already invoiced. Hand over more, or invoice the rest.'
      : 'The whole order is already invoiced. Change the order to add something.',
  'more-than-to-bill': (f) =>
    `Only ${n(f.left)} ${f.line} left to invoice (you entered ${n(f.asked)}). Enter ${n(f.left)}, or change the order.`,
  'already-issued': (f) => `Invoice ${f.number} is issued and cannot be changed. Create a credit note instead.`,
  'not-issued': () => 'This is still a draft: edit or delete it. Only issued invoices can be credited.',
  'not-creditable': () => 'A credit note cannot be credited. Invoice again instead.',
  'more-than-billed': (f) => `Only ${n(f.left)} ${f.line} left to credit on this invoice (you entered ${n(f.asked)}).`,
  'more-than-invoice-left': (f) =>
    `Only ${formatMoney(f.left)} of this invoice is not credited yet (you entered ${formatMoney(f.asked)}).`,
  'more-than-handed-over': (f) =>
    `Only ${n(f.left)} ${f.line} handed over and not returned (you entered ${n(f.asked)}). Credit it without returning goods.`,
  'more-than-open': (f) =>
    `Only ${formatMoney(f.open)} is due there, but you applied ${formatMoney(f.asked)}. Apply ${formatMoney(f.open)} and keep the rest on account.`,
  'due-not-open': () => `That is already paid. Reload to see what is unpaid.`,
  'before-invoice': (f) =>
    `The payment date (${formatDay(f.on)}) is before the invoice date (${formatDay(f.issuedOn)}). Use a later date, or keep the payment on account.`,
  'more-than-received': (f) =>
    `You have applied ${formatMoney(f.asked)} but received only ${formatMoney(f.received)}. Reduce an amount.`,
  'tendered-too-little': (f) =>
    `${formatMoney(f.total)} is due, only ${formatMoney(f.tendered)} given. Take ${formatMoney(subtractMoney(f.total, f.tendered))} more, or create an invoice.`,
  'who-pays': () => 'Choose a customer, or what the payment is for.',
  'other-customer': () => 'One of these belongs to another customer. Take one receipt per customer.',
  'already-voided': (f) => `Receipt ${f.number} is already voided.`,
  'void-counter-sale': (f) =>
    `Receipt ${f.number} belongs to a counter sale. Create a credit note and refund the money.`,
  'held-was-used': () => 'Held money from this receipt has already been used. Undo that first (credit note or refund).',
  'more-than-held': (f) => `Only ${formatMoney(f.held)} is held there (you entered ${formatMoney(f.asked)}).`,
  'nothing-asked': () => 'Enter a percentage or an amount above zero.',
  'entry-unbalanced': (f) => `Debits and credits differ by ${formatMoney(f.difference)}. Make both sides equal.`,
  'opening-differs': (f) =>
    `Debits are ${formatMoney(f.difference)} more than credits (below zero: less). Correct a row, or leave equity out: then the rest is yours.`,
  'no-backup-folder': () => 'No folder for backups is known to this start. Start with bin/start, or run bin/backup.',
  'backup-failed': (f) => `The backup failed: ${f.why}. Look at the disk, then try again.`,
  'entry-reversed': (f) => `Entry ${f.by} has reversed this one already. Post a new one if that was wrong.`,
  'is-on-statement': () => 'A line of a bank statement is matched to this. Undo the match first (Money in, Bank).',
  'statement-refused': (f) => sayStatementProblem(f.problem),
  'other-account': (f) =>
    `This statement is of account ${f.said}, and you chose ${f.number}. Choose the account it is of.`,
  'columns-unknown': (f) =>
    `Which columns of this table are which is not known yet. Choose them once; the file has: ${f.headings.join(', ')}.`,
  'line-is-settled': () => 'This line is settled already. Undo that first.',
  'line-not-settled': () => 'This line is not settled. There is nothing to undo.',
  'statement-is-done': () => 'This statement is done and stays as it is. Correct it with an entry dated later.',
  'statement-not-done': (f) =>
    f.open > 0
      ? `${f.open} ${f.open === 1 ? 'line is' : 'lines are'} still open. Settle them first.`
      : f.difference
        ? `The closing balance differs from the account by ${formatMoney(f.difference)}. Find out why first.`
        : 'This statement has no closing balance to compare with.',
  'settles-differ': (f) =>
    `What it settles comes to ${formatMoney(f.sum)}, and the line to ${formatMoney(f.line)}. Make them agree.`,
  'not-on-account': (f) =>
    `${f.what} is not on this account, or another line is it already. Choose another one, or enter it anew.`,
  'return-is-filed': (f) =>
    `This return was filed on ${formatDay(f.on)} and stays as it is. Corrections fall into the next one.`,
  'return-overlaps': (f) =>
    `${formatDay(f.from)} through ${formatDay(f.through)} is filed already. Choose days after it.`,
  'return-not-paid': () => 'This return is not paid, so there is no payment to take back.',
  'return-not-filed': () => 'This return is a draft. File it first, then pay it.',
  'return-is-paid': (f) => `This return was paid on ${formatDay(f.on)}.`,
  'no-tax-due': () => 'This return comes to zero. There is nothing to pay.',
  'account-is-needed': (f) =>
    `${f.account} is used by documents or taxes, so it stays as it is. You can give it another name.`,
  'year-not-over': (f) => `${f.year} is not over. Only past years are closed.`,
  'year-is-closed': (f) => `${f.year} is closed. Reopen the year first (Books, Closings).`,
  'year-not-closed': (f) => `${f.year} is not closed. There is nothing to reopen.`,
  'nothing-in-year': (f) => `Nothing was earned or spent in ${f.year}, so there is nothing to close. Check the year.`,
  'account-kept-by-papers': (f) =>
    `${f.account} is updated only by documents (invoices, receipts, handovers). Create the document instead.`,
  'close-order': (f) => `The books are closed through ${formatDay(f.through)} already. Choose a later day.`,
  'first-payment-too-large': (f) =>
    `The first payment ${formatMoney(f.first)} is more than the total ${formatMoney(f.total)}.`,
  'payment-does-not-cover-charge': () =>
    'These payments would not cover the interest. Choose fewer payments or a lower rate.',
}

export const sentence = (failure: Failure): string => (SENTENCES[failure.code] as (f: Failure) => string)(failure)
