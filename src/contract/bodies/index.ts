import type { z } from 'zod'
import type { Body, Given, Nothing } from './body'
import type { BuyingBodies } from './buying'
import type { changeSettingsInput } from '@/contract/inputs/access/changeSettings'
import type { addCustomerInput, changeCustomerInput } from '@/contract/inputs/people/keepCustomer'
import type { joinCustomersInput } from '@/contract/inputs/people/joinCustomers'
import type { addGoodsInput, changeGoodsInput } from '@/contract/inputs/goods/keepGoods'
import type { importGoodsInput } from '@/contract/inputs/goods/importGoods'
import type {
  addPriceLevelInput,
  changePriceLevelInput,
  addTaxAreaInput,
  changeTaxAreaInput,
} from '@/contract/inputs/goods/priceLevels'
import type { keepFileInput, dropFileInput } from '@/contract/inputs/files/keepFile'
import type { assembleInput } from '../inputs/goods/assemble'
import type { addPlaceInput, adjustStockInput, changePlaceInput, moveStockInput } from '../inputs/goods/places'
import type { countStockInput } from '@/contract/inputs/goods/countStock'
import type { addTaxCodeInput, addTaxRateInput, changeTaxCodeInput } from '@/contract/inputs/books/addTaxCode'
import type { startSaleInput } from '@/contract/inputs/sales/startSale'
import type { copySaleInput } from '@/contract/inputs/sales/copySale'
import type {
  correctPickInput,
  dropPickInput,
  packPickInput,
  quoteCarrierInput,
  sendPickInput,
  startPickInput,
  startPicksInput,
} from '@/contract/inputs/parcels/picks'
import type { replacePartInput } from '@/contract/inputs/sales/replacePart'
import type { setAsideInput } from '@/contract/inputs/sales/setAside'
import type { strikeOffInput } from '@/contract/inputs/sales/strikeOff'
import type { bringBackNextInput, putOffNextInput, dropNextInput } from '@/contract/inputs/sales/markNext'
import type { startRepeatInput, stopRepeatInput } from '@/contract/inputs/sales/keepRepeat'
import type { giveLinkInput, withdrawLinkInput, withdrawLinksInput } from '@/contract/inputs/post/links'
import type { offerSaleInput } from '@/contract/inputs/sales/offerSale'
import type { agreeSaleInput } from '@/contract/inputs/sales/agreeSale'
import type { changeSaleInput } from '@/contract/inputs/sales/changeSale'
import type { arrangeSaleInput } from '@/contract/inputs/sales/arrangeSale'
import type { setBudgetInput } from '@/contract/inputs/books/budget'
import type { addWebhookInput } from '@/contract/inputs/access/webhooks'
import type { handOverInput } from '@/contract/inputs/sales/handOver'
import type { returnGoodsInput } from '@/contract/inputs/sales/returnGoods'
import type { requestDepositInput } from '@/contract/inputs/sales/requestDeposit'
import type { billSaleInput } from '@/contract/inputs/billing/billSale'
import type { changeDraftInput, dropDraftInput, issueInvoiceInput } from '@/contract/inputs/billing/draftWork'
import type { creditInvoiceInput } from '@/contract/inputs/billing/creditInvoice'
import type { takeReceiptInput } from '@/contract/inputs/money/takeReceipt'
import type { voidReceiptInput, bounceReceiptInput } from '@/contract/inputs/money/voidReceipt'
import type { refundHeldInput } from '@/contract/inputs/money/refundHeld'
import type { useHeldInput } from '@/contract/inputs/money/useHeld'
import type { sellAtCounterInput } from '@/contract/inputs/money/sellAtCounter'
import type { previewPlanInput } from '@/contract/inputs/money/previewPlan'
import type { giveUpLayawayInput } from '@/contract/inputs/plans/giveUpLayaway'
import type {
  quotePayoffInput,
  payOffPlanInput,
  reschedulePlanInput,
  keepCardInput,
} from '@/contract/inputs/plans/changePlan'
import type { promisePayInput, dropPromiseInput } from '@/contract/inputs/chase/promisePay'
import type { chargeLateInput } from '@/contract/inputs/money/chargeExtra'
import type { writeOffDueInput, writeOffRestsInput } from '@/contract/inputs/money/writeOff'
import type { recoverWriteOffInput } from '@/contract/inputs/money/recoverWriteOff'
import type { voidRefundInput } from '@/contract/inputs/money/voidRefund'
import type { reverseHeldMoveInput } from '@/contract/inputs/money/reverseHeldMove'
import type { moveHeldInput } from '@/contract/inputs/money/moveHeld'
import type { remindInput } from '@/contract/inputs/chase/remind'
import type { keepViewInput, dropViewInput } from '@/contract/inputs/views/keepView'
import type { moveDrawerInput, countDrawerInput } from '@/contract/inputs/till/drawer'
import type { bankSlipInput, settleCardsInput } from '@/contract/inputs/till/toBank'
import type {
  writeLetterInput,
  dropLetterInput,
  keepLetterTemplateInput,
  dropLetterTemplateInput,
} from '@/contract/inputs/post/writeLetter'
import type { addLayoutInput, changeLayoutInput, dropLayoutInput } from '@/contract/inputs/papers/keepLayout'
import type { putInBasketInput, tellBasketInput, orderBasketInput } from '@/contract/inputs/shopfront/basket'
import type {
  entryRepeatInput,
  reverseEntryInput,
  startEntryRepeatInput,
  writeEntryInput,
} from '@/contract/inputs/books/writeEntry'
import type { addAccountInput, changeAccountInput, mergeAccountInput } from '@/contract/inputs/books/accounts'
import type {
  draftTaxReturnInput,
  payTaxReturnInput,
  taxReturnInput,
  unpayTaxReturnInput,
} from '@/contract/inputs/books/taxReturn'
import type {
  addBankAccountInput,
  addBankRuleInput,
  changeBankAccountInput,
  matchLineInput,
  statementInput,
} from '@/contract/inputs/bank/bank'
import type { openingInput } from '@/contract/inputs/books/opening'
import type { importCustomersInput } from '@/contract/inputs/people/importCustomers'
import type { yearEndInput } from '@/contract/inputs/books/yearEnd'
import type { closePeriodInput, reopenPeriodInput } from '@/contract/inputs/books/closePeriod'
import type * as access from '@/contract/inputs/access/entry'
import type { writeToManyInput } from '@/contract/inputs/chase/writeToMany'
import type { closeSaleInput } from '@/contract/inputs/sales/closeSale'

/** What each call of a signed-in owner that changes something takes, by method and path. Tested to name them all. */
export interface Bodies extends BuyingBodies {
  'PATCH /settings': Body<typeof changeSettingsInput>
  'POST /customers': Body<typeof addCustomerInput>
  'POST /customers/{id}/join': Body<typeof joinCustomersInput, 'customerId'>
  'DELETE /customers/{id}': Nothing
  'PATCH /customers/{id}': Body<typeof changeCustomerInput, 'customerId'>
  'POST /goods': Body<typeof addGoodsInput>
  'DELETE /goods/{id}': Nothing
  'PATCH /goods/{id}': Body<typeof changeGoodsInput, 'goodsId'>
  'POST /goods/{id}/assemble': Body<typeof assembleInput, 'goodsId'>
  'POST /goods/{id}/take-apart': Body<typeof assembleInput, 'goodsId'>
  'POST /goods/import': Body<typeof importGoodsInput>
  'POST /price-levels': Body<typeof addPriceLevelInput>
  'PATCH /price-levels/{id}': Body<typeof changePriceLevelInput, 'levelId'>
  'POST /tax-areas': Body<typeof addTaxAreaInput>
  'PATCH /tax-areas/{id}': Body<typeof changeTaxAreaInput, 'areaId'>
  'POST /files': Body<typeof keepFileInput>
  'DELETE /files/{id}': Body<typeof dropFileInput, 'fileId'>
  'POST /stock-counts': Body<typeof countStockInput>
  'POST /places': Body<typeof addPlaceInput>
  'PATCH /places/{id}': Body<typeof changePlaceInput, 'placeId'>
  'POST /stock-moves': Body<typeof moveStockInput>
  'POST /stock-adjustments': Body<typeof adjustStockInput>
  'POST /tax-codes': Body<typeof addTaxCodeInput>
  'DELETE /tax-codes/{id}': Nothing
  'DELETE /price-levels/{id}': Nothing
  'DELETE /tax-areas/{id}': Nothing
  'DELETE /places/{id}': Nothing
  'PATCH /tax-codes/{id}': Body<typeof changeTaxCodeInput, 'taxCodeId'>
  'POST /tax-codes/{id}/rates': Body<typeof addTaxRateInput, 'taxCodeId'>
  'POST /sales': Body<typeof startSaleInput>
  'POST /sales/{id}/copy': Body<typeof copySaleInput, 'saleId'>
  'POST /sales/{id}/next/put-off': Body<typeof putOffNextInput, 'saleId'>
  'POST /sales/{id}/next/drop': Body<typeof dropNextInput, 'saleId'>
  'POST /sales/{id}/next/bring-back': Body<typeof bringBackNextInput, 'saleId'>
  'POST /sales/{id}/repeats': Body<typeof startRepeatInput, 'saleId'>
  'POST /repeats/{id}/stop': Body<typeof stopRepeatInput, 'repeatId'>
  'POST /sales/{id}/links': Body<typeof giveLinkInput, 'saleId'>
  'DELETE /links/{id}': Body<typeof withdrawLinkInput, 'linkId'>
  'DELETE /sales/{id}/links': Body<typeof withdrawLinksInput, 'saleId'>
  'POST /sales/{id}/offer': Body<typeof offerSaleInput, 'saleId'>
  'POST /sales/{id}/agree': Body<typeof agreeSaleInput, 'saleId'>
  'POST /sales/{id}/change': Body<typeof changeSaleInput, 'saleId'>
  'POST /sales/{id}/arrangement': Given<z.input<typeof arrangeSaleInput>['arrangement']>
  'POST /sales/{id}/handovers': Body<typeof handOverInput, 'saleId'>
  'POST /sales/{id}/set-aside': Body<typeof setAsideInput, 'saleId'>
  'POST /sales/{id}/strike-off': Body<typeof strikeOffInput, 'saleId'>
  'POST /sales/{id}/replace-part': Body<typeof replacePartInput, 'saleId'>
  'POST /sales/{id}/picks': Body<typeof startPickInput, 'saleId'>
  'POST /picks': Body<typeof startPicksInput>
  'POST /picks/{id}/correct': Body<typeof correctPickInput, 'pickId'>
  'POST /picks/{id}/pack': Body<typeof packPickInput, 'pickId'>
  'POST /picks/{id}/send': Body<typeof sendPickInput, 'pickId'>
  'DELETE /picks/{id}': Body<typeof dropPickInput, 'pickId'>
  'POST /carrier/quotes': Body<typeof quoteCarrierInput>
  'POST /handovers/{id}/returns': Body<typeof returnGoodsInput, 'handoverId'>
  'POST /sales/{id}/deposit-requests': Body<typeof requestDepositInput, 'saleId'>
  'POST /sales/{id}/invoices': Body<typeof billSaleInput, 'saleId'>
  'PATCH /invoices/{id}': Body<typeof changeDraftInput, 'invoiceId'>
  'DELETE /invoices/{id}': Body<typeof dropDraftInput, 'invoiceId'>
  'POST /invoices/{id}/issue': Body<typeof issueInvoiceInput, 'invoiceId'>
  'POST /invoices/{id}/credit-notes': Body<typeof creditInvoiceInput, 'invoiceId'>
  'POST /receipts': Body<typeof takeReceiptInput>
  'POST /receipts/{id}/void': Body<typeof voidReceiptInput, 'receiptId'>
  'POST /refunds': Body<typeof refundHeldInput>
  'POST /held-uses': Body<typeof useHeldInput>
  'POST /counter-sales': Body<typeof sellAtCounterInput>
  'POST /plans/preview': Body<typeof previewPlanInput>
  'POST /sales/{id}/layaway/give-up': Body<typeof giveUpLayawayInput, 'saleId'>
  'POST /sales/{id}/installments/quote': Body<typeof quotePayoffInput, 'saleId'>
  'POST /sales/{id}/installments/payoff': Body<typeof payOffPlanInput, 'saleId'>
  'POST /sales/{id}/installments/reschedule': Body<typeof reschedulePlanInput, 'saleId'>
  'POST /sales/{id}/installments/card': Body<typeof keepCardInput, 'saleId'>
  'POST /sales/{id}/promises': Body<typeof promisePayInput, 'saleId'>
  'DELETE /sales/{id}/promises': Body<typeof dropPromiseInput, 'saleId'>
  'POST /dues/{id}/late-charge': Body<typeof chargeLateInput, 'dueId'>
  'POST /dues/{id}/write-off': Body<typeof writeOffDueInput, 'dueId'>
  'POST /write-offs': Body<typeof writeOffRestsInput>
  'POST /write-offs/{id}/recover': Body<typeof recoverWriteOffInput, 'writeOffId'>
  'POST /refunds/{id}/void': Body<typeof voidRefundInput, 'refundId'>
  'POST /held-moves/{id}/reverse': Body<typeof reverseHeldMoveInput, 'transferId'>
  'POST /held-moves': Body<typeof moveHeldInput>
  'POST /receipts/{id}/bounce': Body<typeof bounceReceiptInput, 'receiptId'>
  'POST /customers/{id}/reminders': Body<typeof remindInput, 'customerId'>
  'POST /saved-views': Body<typeof keepViewInput>
  'DELETE /saved-views/{id}': Body<typeof dropViewInput, 'viewId'>
  'POST /drawer/moves': Body<typeof moveDrawerInput>
  'POST /drawer/counts': Body<typeof countDrawerInput>
  'POST /banking-slips': Body<typeof bankSlipInput>
  'POST /card-settlements': Body<typeof settleCardsInput>
  'POST /post': Body<typeof writeLetterInput>
  'DELETE /post/{id}': Body<typeof dropLetterInput, 'postId'>
  'POST /letter-templates': Body<typeof keepLetterTemplateInput>
  'DELETE /letter-templates': Body<typeof dropLetterTemplateInput>
  'POST /layouts': Body<typeof addLayoutInput>
  'PATCH /layouts/{id}': Body<typeof changeLayoutInput, 'layoutId'>
  'DELETE /layouts/{id}': Body<typeof dropLayoutInput, 'layoutId'>
  'POST /baskets/{id}/lines': Body<typeof putInBasketInput, 'basketId'>
  'PATCH /baskets/{id}': Body<typeof tellBasketInput, 'basketId'>
  'POST /baskets/{id}/order': Body<typeof orderBasketInput, 'basketId'>
  'POST /books/entries': Body<typeof writeEntryInput>
  'POST /books/close': Body<typeof closePeriodInput>
  'POST /bank/accounts': Body<typeof addBankAccountInput>
  'PATCH /bank/accounts/{id}': Body<typeof changeBankAccountInput, 'bankAccountId'>
  'POST /bank/statements/{id}/finish': Body<typeof statementInput, 'statementId'>
  'POST /bank/matches': Body<typeof matchLineInput>
  'POST /bank/rules': Body<typeof addBankRuleInput>
  'POST /books/opening': Body<typeof openingInput>
  'POST /books/entries/{id}/reverse': Body<typeof reverseEntryInput, 'entryId'>
  'POST /books/entries/{id}/repeats': Body<typeof startEntryRepeatInput, 'entryId'>
  'POST /entry-repeats/{id}/stop': Body<typeof entryRepeatInput, 'repeatId'>
  'POST /customers/import': Body<typeof importCustomersInput>
  'POST /bank/accounts/{id}/fetch': Nothing
  'POST /webhooks': Body<typeof addWebhookInput>
  'DELETE /webhooks/{id}': Nothing
  'POST /webhook-deliveries/{id}/retry': Nothing
  'POST /calendar': Nothing
  'POST /backups': Nothing
  'DELETE /bank/matches/{lineId}': Nothing
  'DELETE /bank/rules/{id}': Nothing
  'DELETE /books/year-end/{year}': Nothing
  'DELETE /calendar': Nothing
  'DELETE /tax-returns/{id}': Nothing
  'POST /tax-returns': Body<typeof draftTaxReturnInput>
  'POST /tax-returns/{id}/file': Body<typeof taxReturnInput, 'returnId'>
  'POST /tax-returns/{id}/pay': Body<typeof payTaxReturnInput, 'returnId'>
  'POST /tax-returns/{id}/unpay': Body<typeof unpayTaxReturnInput, 'returnId'>
  'POST /books/budget': Body<typeof setBudgetInput>
  'POST /books/year-end': Body<typeof yearEndInput>
  'POST /accounts': Body<typeof addAccountInput>
  'PATCH /accounts/{id}': Body<typeof changeAccountInput, 'accountId'>
  'POST /accounts/{id}/merge': Body<typeof mergeAccountInput, 'accountId'>
  'POST /books/reopen': Body<typeof reopenPeriodInput>
  'POST /sales/{id}/decline': Body<typeof closeSaleInput, 'saleId'>
  'POST /sales/{id}/cancel': Body<typeof closeSaleInput, 'saleId'>
  'POST /letters/many': Body<typeof writeToManyInput>
  'POST /settings/tokens': Body<typeof access.tokenInput>
  'POST /settings/passphrase': Body<typeof access.passphraseInput>
  'POST /settings/one-time-codes': Body<typeof access.beginCodesInput>
  'POST /settings/one-time-codes/confirm': Body<typeof access.confirmCodesInput>
  'POST /settings/one-time-codes/end': Body<typeof access.endCodesInput>
  'DELETE /settings/tokens/{id}': Nothing
  'DELETE /settings/sessions/{id}': Nothing
  'POST /repeats/run': Nothing
  'POST /post/{id}/send': Nothing
}
