import type { PageLine } from '@/services/customerPage/readPage'

interface Props {
  readonly line: PageLine
  readonly open: boolean
  readonly chosen: boolean
  readonly onChoose: () => void
  readonly show: (amount: string) => string
}

/** A line of an estimate as its customer reads it, with the choice it leaves them. */
export const EstimateLine = ({ line, open, chosen, onChoose, show }: Props) => {
  if (line.kind === 'heading') return <h3 className="pt-4 pb-1 font-slab text-lg font-semibold">{line.description}</h3>
  if (line.kind === 'text') return <p className="py-1.5 text-iron-700">{line.description}</p>
  const choice = open && line.choice !== 'none'
  const Wrap = choice ? 'label' : 'div'
  return (
    <Wrap
      className={`flex gap-3 border-b border-paper-200 py-2 ${choice ? 'cursor-pointer' : ''} ${chosen ? '' : 'text-iron-500'}`}
    >
      {choice && (
        <input
          type={line.choice === 'alternative' ? 'radio' : 'checkbox'}
          name={line.choice === 'alternative' ? `choice-${line.choiceGroup}` : undefined}
          className="mt-1.5 h-4.5 w-4.5 shrink-0"
          checked={chosen}
          onChange={onChoose}
        />
      )}
      {line.pictureFileId !== null && (
        // oxlint-disable-next-line nextjs/no-img-element -- kept in the database, shown as it is
        <img
          src={`/api/shop/pictures/${line.pictureFileId}`}
          alt=""
          loading="lazy"
          className="h-14 w-14 shrink-0 border border-paper-300 object-cover"
        />
      )}
      <span className="min-w-0 flex-1">
        <span className="block">{line.description}</span>
        {line.note && <span className="sub block whitespace-pre-line">{line.note}</span>}
        <span className="sub block">
          {line.quantity} × {line.each}
          {line.less && `, ${line.less} discount`}
          {choice && (line.choice === 'optional' ? ' · optional' : ` · ${line.choiceGroup}: choose one`)}
        </span>
      </span>
      <span className="fig">{show(line.sum)}</span>
    </Wrap>
  )
}
