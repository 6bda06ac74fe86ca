export {
  STATUS_NAMES,
  statusName,
  METHOD_NAMES,
  CHANNEL_NAMES,
  GOODS_KIND_NAMES,
  MAIL_STATE_NAMES,
  LAYAWAY_NAMES,
  LANGUAGE_NAMES,
  ACCOUNT_KIND_NAMES,
  REPEAT_EVERY_NAMES,
  REPEAT_MAKES_NAMES,
  languageName,
} from './names'
export { sayMove } from './stockMoves'
export * from './taken'
export {
  HANDOVER_BY_NAMES,
  PARCEL_STATE_NAMES,
  PAY_FROM_NAMES,
  PICK_STATE_NAMES,
  PURCHASE_STATUS_NAMES,
} from './sending'
