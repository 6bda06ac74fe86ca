import { present } from '@/core/present'
import { max } from 'd3-array'
import { scaleLinear, scalePoint } from 'd3-scale'
import { line } from 'd3-shape'
import { formatMonth, type Day } from '@/core/day'
import { formatMoney, type Money } from '@/core/money'
import { AmountAxis } from './AmountAxis'
import { Ground, Names, Path, Paths, Plot, size } from './Plot'

interface Props {
  readonly customers: readonly { readonly name: string; readonly owed: readonly Money[] }[]
  readonly months: readonly Day[]
}
const [HEIGHT, FOOT, BEFORE, AFTER] = [240, 22, 66, 22]

/** What each of the ten owed at the end of every month: a line each, numbered as in the table. */
export const OweLines = ({ customers, months }: Props) => {
  const x = scalePoint<string>([...months], [0, 100])
  const y = scaleLinear([0, Math.max(max(customers, (c) => max(c.owed, size) ?? 0) ?? 0, 1)], [HEIGHT - FOOT, 12]).nice(
    4,
  )
  const path = line<Money>()
    .x((_, i) => x(present(months[i])) ?? 0)
    .y((m) => y(size(m)))
  const endOf = (i: number): number => y(size(present(present(customers[i]).owed.at(-1))))
  return (
    <Plot
      says={customers.map((c, i) => `${i + 1} ${c.name}: ${formatMoney(present(c.owed.at(-1)))} now`).join(', ')}
      height={HEIGHT}
      before={BEFORE}
      after={AFTER}
      className="max-w-190"
    >
      <AmountAxis y={y} />
      <Paths height={HEIGHT}>
        {customers.map((c, i) => (
          <Path
            key={i}
            d={path([...c.owed])}
            stroke={i < 3 ? 'var(--color-rust-600)' : 'var(--color-iron-400)'}
            wide={i < 3 ? 2 : 1.2}
            dash={['', '6 3', '2 3'][i % 3]}
            title={c.name}
          />
        ))}
      </Paths>
      {customers.map((_, i) => (
        <text
          key={i}
          className={i > 0 && endOf(i) - endOf(i - 1) < 11 ? 'hidden' : ''}
          x="100%"
          dx={4}
          y={endOf(i) + 4}
          fontSize="11"
          fontFamily="var(--font-figure)"
          fill="var(--color-iron-700)"
        >
          {i + 1}
        </text>
      ))}
      <Names
        names={months.map((m) => ({ x: x(m) ?? 0, name: formatMonth(m) }))}
        y={HEIGHT - 6}
        beside={BEFORE + AFTER}
      />
      <Ground y={HEIGHT - FOOT} />
    </Plot>
  )
}
