'use client'
import { useRouter } from 'next/navigation'
import { Menu } from '../Menu'
import { To } from '../To'
import { usePageKeys } from './pageKeys'

/** Something that can be done with what a page shows. */
export interface Act<Id extends string = string> {
  readonly id: Id
  readonly label: string
  /** The key that does it from anywhere on the page. */
  readonly key: string
  /** What it changes: the part of the menu it stands in. */
  readonly group: string
  /** It leads somewhere instead of doing something. */
  readonly href?: string
  /** What it leads to is a file, which opens beside the page. */
  readonly file?: boolean
  /** What it will do, where its name does not say it all. */
  readonly hint?: string
}

interface Props<Id extends string> {
  readonly acts: readonly Act<Id>[]
  /** The one that is suggested, then at most two that are often wanted; all others stand in the menu. */
  readonly first: Id | null
  readonly near: readonly Id[]
  /** The parts of the menu, in their order. */
  readonly groups: readonly string[]
  readonly onAct: (id: Id) => void
  readonly busy?: boolean
  /** A panel is open: its button is the main one. */
  readonly away?: boolean
}

const NEAR = 2

/** What can be done here: the one thing to do now, two beside it, and one menu with all the rest, each with its key. */
export const Acts = <Id extends string>({ acts, first, near, groups, onAct, busy, away }: Props<Id>) => {
  const router = useRouter()
  const main = acts.find((a) => a.id === first)
  const beside = [...new Set(near)].flatMap((id) => acts.filter((a) => a.id === id && a !== main)).slice(0, NEAR)
  // In one row: whoever stands on the one that is suggested a moment later still stands on it.
  const inSight = main ? [main, ...beside] : beside
  const rest = acts.filter((a) => !inSight.includes(a))
  usePageKeys(
    acts.map((a) => ({
      key: a.key,
      label: a.label,
      to: a.file ? undefined : a.href,
      run: () => (a.file ? window.open(a.href, '_blank') : a.href ? router.push(a.href) : onAct(a.id)),
    })),
  )
  const draw = (a: Act<Id>, className: string, primary = false) => (
    <ActButton {...{ act: a, className, primary, onAct, busy }} key={a.id} />
  )
  return (
    <div className="flex flex-wrap gap-2">
      {inSight.map((a) => (a === main ? draw(a, 'btn btn-do', !away) : draw(a, 'btn')))}
      {rest.length > 0 && (
        <Menu label={inSight.length > 0 ? 'More' : 'Actions'} shortcut=".">
          {groups.map((g) => {
            const inIt = rest.filter((a) => a.group === g)
            return (
              inIt.length > 0 && (
                <div key={g} role="group" aria-label={g}>
                  <div className="menu-head">{g}</div>
                  {inIt.map((a) => draw(a, ''))}
                </div>
              )
            )
          })}
        </Menu>
      )}
    </div>
  )
}

interface ButtonProps<Id extends string> {
  readonly act: Act<Id>
  readonly className: string
  readonly primary: boolean
  readonly onAct: (id: Id) => void
  readonly busy?: boolean
}

const ActButton = <Id extends string>({ act: a, className, primary, onAct, busy }: ButtonProps<Id>) => {
  const says = (
    <>
      {a.label} <kbd className="font-figure text-xs font-normal">{a.key}</kbd>
    </>
  )
  const common = { className, title: a.hint, 'data-primary': primary || undefined, 'aria-label': a.label }
  if (a.href && a.file)
    return (
      <a {...common} href={a.href} target="_blank">
        {says}
      </a>
    )
  if (a.href)
    return (
      <To {...common} href={a.href}>
        {says}
      </To>
    )
  return (
    <button {...common} type="button" disabled={busy} onClick={() => onAct(a.id)}>
      {says}
    </button>
  )
}
