import { importGoodsInput } from '@/contract/inputs/goods/importGoods'

/** A CSV or XLSX file, or vCard; looked at, or written, as goods are. */
export const importCustomersInput = importGoodsInput
