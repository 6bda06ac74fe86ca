/** A field of a table as the database names its column: `goodsId` is `goods_id`. */
export const columnName = (field: string): string => field.replace(/[A-Z]/g, (letter) => `_${letter.toLowerCase()}`)
