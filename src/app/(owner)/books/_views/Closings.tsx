import { readClosings } from '@/model/books/journal'
import { openShop } from '@/app/(owner)/_shop'
import { Empty } from '@/ui/Empty'
import { formatDay } from '@/core/day'
import { present } from '@/core/present'

export const Closings = async () => {
  const closings = await readClosings(await openShop())
  if (closings.length === 0)
    return (
      <Empty>Nothing was closed yet. Close a period when its reports are final; each closing will stand here.</Empty>
    )
  return (
    <table className="ledger">
      <thead>
        <tr>
          <th scope="col">Day</th>
          <th scope="col">What</th>
          <th scope="col">Why</th>
        </tr>
      </thead>
      <tbody>
        {closings.map((c) => (
          <tr key={c.id}>
            <td>{formatDay(c.on)}</td>
            <td>
              {c.kind === 'closed'
                ? `Closed through ${formatDay(present(c.through))}`
                : c.through
                  ? `Reopened, closed through ${formatDay(c.through)}`
                  : 'Reopened, nothing closed'}
            </td>
            <td>{c.reason}</td>
          </tr>
        ))}
      </tbody>
    </table>
  )
}
