import { Menu } from '../Menu'
import { PrintButton } from './PrintButton'

interface Props {
  readonly name: string
  /** What the list is narrowed to and sorted by: the files hold the same. */
  readonly query: Readonly<Record<string, string>>
}

/** The list as files, and on paper. */
export const ListExport = ({ name, query }: Props) => {
  const kept = new URLSearchParams(query).toString()
  const href = (type: string) => `/api/v1/export/${name}.${type}${kept === '' ? '' : `?${kept}`}`
  return (
    <Menu label="Export">
      <a href={href('csv')}>Export CSV</a>
      <a href={href('xlsx')}>Export XLSX</a>
      <a href={href('pdf')} target="_blank">
        Export PDF
      </a>
      <PrintButton />
    </Menu>
  )
}
