import { decimal, formatPrice } from '@/core/money'
import type { ShopThing } from '@/services/shopfront/readShop'

interface Props {
  readonly thing: ShopThing
  readonly currency: string
  readonly busy: boolean
  readonly onAdd: () => void
}

/** A thing of the online shop: what it is, what it costs, whether it is there. */
export const ThingInShop = ({ thing, currency, busy, onAdd }: Props) => (
  <li className="flex gap-3 border border-paper-300 bg-white p-3">
    {thing.pictureFileId !== null && (
      // oxlint-disable-next-line nextjs/no-img-element -- kept in the database, shown as it is
      <img
        src={`/api/shop/pictures/${thing.pictureFileId}`}
        alt=""
        loading="lazy"
        className="h-19 w-19 shrink-0 object-cover"
      />
    )}
    <div className="min-w-0 flex-1">
      <b className="block wrap-anywhere">{thing.name}</b>
      {thing.note && <span className="sub block">{thing.note}</span>}
      <span className="sub">
        {thing.there === null ? '' : Number(thing.there) > 0 ? 'In stock' : 'Made or ordered for you'}
      </span>
      <div className="mt-1 flex flex-wrap items-center justify-between gap-2">
        <span className="fig text-lg">{formatPrice(decimal(thing.price), currency)}</span>
        <button className="btn min-h-7.5" disabled={busy} aria-label={`Add to basket: ${thing.name}`} onClick={onAdd}>
          Add to basket
        </button>
      </div>
    </div>
  </li>
)
