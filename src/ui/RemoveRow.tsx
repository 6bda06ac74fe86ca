import { X } from 'lucide-react'

interface Props {
  /** What is removed: `Remove string A`. */
  readonly label: string
  readonly onRemove: () => void
}

/** Takes a row out of a form. */
export const RemoveRow = ({ label, onRemove }: Props) => (
  <button type="button" aria-label={label} className="p-2 text-iron-500" onClick={onRemove}>
    <X size={15} />
  </button>
)
