import type { Refused } from '../http'

/** A chosen file as base64, as the HTTP interface takes it. */
export const readBase64 = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result).split(',')[1] ?? '')
    reader.onerror = () => reject(reader.error ?? new Error('the file cannot be read'))
    reader.readAsDataURL(file)
  })

/** Why a file that was chosen is not sent: it was moved, renamed or changed since. */
export const cannotRead = ({ name }: File): Refused => ({
  detail: `${name} cannot be read any more. Choose it again.`,
  errors: [],
})
