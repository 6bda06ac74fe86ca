/** A chosen file as base64, as the HTTP interface takes it. */
export const readBase64 = (file: File): Promise<string> =>
  new Promise((resolve, reject) => {
    const reader = new FileReader()
    reader.onload = () => resolve(String(reader.result).split(',')[1] ?? '')
    reader.onerror = () => reject(reader.error ?? new Error('the file cannot be read'))
    reader.readAsDataURL(file)
  })
