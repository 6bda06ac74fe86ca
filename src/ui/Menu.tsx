import { useId, type ReactNode } from 'react'

interface Props {
  readonly label: string
  readonly children: ReactNode
}

/** A button that opens a few more things to do; the browser closes it by Escape or a click elsewhere. */
export const Menu = ({ label, children }: Props) => {
  const id = `menu${useId().replace(/\W/g, '')}`
  const anchor = `--${id}`
  return (
    <>
      <button type="button" className="btn" popoverTarget={id} style={{ anchorName: anchor }}>
        {label} <span aria-hidden>▾</span>
      </button>
      <div id={id} popover="auto" aria-label={label} className="menu" style={{ positionAnchor: anchor }}>
        {children}
      </div>
    </>
  )
}
