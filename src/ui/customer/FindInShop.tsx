import type { PageAsked } from '@/contract/pageAsked'

interface Props {
  readonly asked: PageAsked
  readonly more: boolean
  /** Whether there is something of what is asked for. */
  readonly found: boolean
}

/** Looks for things in the online shop, where it has more than a page or somebody did so already. It needs no script. */
export const FindInShop = ({ asked: { search, page }, more, found }: Props) =>
  search === '' && page === 1 && !more ? null : (
    <div className="mb-4">
      <form action="/shop" role="search" className="flex flex-wrap items-center gap-2">
        <input
          key={search}
          type="search"
          name="search"
          aria-label="Search the shop"
          placeholder="Search the shop"
          className="field w-75 max-sm:!w-full"
          maxLength={200}
          defaultValue={search}
        />
        <button className="btn">Search</button>
        {search !== '' && (
          <a href="/shop" className="underline">
            Show all items
          </a>
        )}
      </form>
      {!found && (
        <p className="mt-4" role="status">
          {search === '' ? 'No more items.' : `No item in the shop matches “${search}”.`}
        </p>
      )}
    </div>
  )
