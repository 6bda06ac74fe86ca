/** Where customers reach the program: the address in TILL_PUBLIC_URL, or this machine's own. */
export const publicAddress = (): string =>
  (process.env.TILL_PUBLIC_URL ?? `http://127.0.0.1:${process.env.PORT ?? '3000'}`).replace(/\/$/, '')
