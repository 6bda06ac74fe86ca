/** What can be taken back of what was bought: what that does, and its call. */
export const TAKEN_BACK = {
  bill: {
    title: 'Void the bill',
    does: 'It does not count from this day on: nothing is owed for it, and what came is not billed again.',
    done: 'The bill is void.',
    path: '/bills',
    call: 'void',
    schema: () => import('@/contract/inputs/buying/bills').then((m) => m.voidBillInput.omit({ billId: true })),
  },
  payment: {
    title: 'Void the payment',
    does: 'It did not happen: what it paid is owed again from this day on.',
    done: 'The payment is void.',
    path: '/supplier-payments',
    call: 'void',
    schema: () =>
      import('@/contract/inputs/buying/bills').then((m) => m.voidSupplierPaymentInput.omit({ paymentId: true })),
  },
  credit: {
    title: 'Take the credit back',
    does: 'It does not count from this day on: the bill is owed again, and goods that went back wait for a credit again.',
    done: 'The credit is taken back.',
    path: '/supplier-credits',
    call: 'void',
    schema: () => import('@/contract/inputs/buying/sentBack').then((m) => m.voidCreditInput.omit({ creditId: true })),
  },
  'set-off': {
    title: 'Void the set-off',
    does: 'It did not happen: from this day on both sides owe again.',
    done: 'The set-off is void.',
    path: '/set-offs',
    call: 'void',
    schema: () => import('@/contract/inputs/buying/setOff').then((m) => m.voidSetOffInput.omit({ setOffId: true })),
  },
  refund: {
    title: 'Void the money back',
    does: 'It did not come back: from this day on it is paid in advance again.',
    done: 'The money back is void.',
    path: '/supplier-refunds',
    call: 'void',
    schema: () =>
      import('@/contract/inputs/buying/supplierRefund').then((m) => m.voidSupplierRefundInput.omit({ refundId: true })),
  },
  'landed-cost': {
    title: 'Take the cost off the goods',
    does: 'It was spread wrong: from this day on it stands on its account again, and may be spread anew.',
    done: 'The cost stands on its account again.',
    path: '/landed-costs',
    call: 'void',
    schema: () =>
      import('@/contract/inputs/buying/landedCost').then((m) => m.voidLandedCostInput.omit({ costId: true })),
  },
  receipt: {
    title: 'Undo the receipt',
    does: 'It was entered wrong: stock, order and books are as if it had never been. If goods really go back, send them back instead.',
    done: 'The receipt is undone.',
    path: '/goods-received',
    call: 'undo',
    schema: () =>
      import('@/contract/inputs/buying/sentBack').then((m) => m.undoReceiptInput.omit({ receivedId: true })),
  },
} as const

export type TakenBack = keyof typeof TAKEN_BACK
