import type { HandoverBy, ParcelState, PickState, PurchaseStatus, PayFrom } from '../kinds'

/** How far an order to a supplier is, as it is said. */
export const PURCHASE_STATUS_NAMES: Readonly<Record<PurchaseStatus, string>> = {
  draft: 'Draft',
  sent: 'Sent',
  'received in part': 'Received in part',
  received: 'Received',
  closed: 'Closed',
}

/** How goods go to the customer, as it is said. */
export const HANDOVER_BY_NAMES: Readonly<Record<HandoverBy, string>> = {
  counter: 'Picked up',
  parcel: 'Shipped',
  delivery: 'Delivered',
}

/** How far a pick list is, as it is said. */
export const PICK_STATE_NAMES: Readonly<Record<PickState, string>> = {
  'to pick': 'To pick',
  picked: 'Picked',
  packed: 'Packed',
  sent: 'Sent',
}

/** Where a parcel is, as it is said. */
export const PARCEL_STATE_NAMES: Readonly<Record<ParcelState, string>> = {
  packed: 'Packed',
  sent: 'In transit',
  delivered: 'Delivered',
  lost: 'Lost',
}

/** Where money to a supplier leaves from, as it is said. */
export const PAY_FROM_NAMES: Readonly<Record<PayFrom, string>> = {
  bank: 'Bank',
  drawer: 'Drawer',
  'own-pocket': 'My own pocket',
}
