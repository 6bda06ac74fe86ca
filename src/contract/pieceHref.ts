/** The page of a lot or serial; null where a row names none. */
export const pieceHref = (of: {
  readonly goodsId: number
  readonly lot: string | null
  readonly serial: string | null
}): string | null =>
  of.serial !== null
    ? `/goods/serials/${encodeURIComponent(of.serial)}?goods=${of.goodsId}`
    : of.lot !== null
      ? `/goods/lots/${encodeURIComponent(of.lot)}?goods=${of.goodsId}`
      : null
