/** Reads the one file that a process of its own was begun for, and answers; see workers/runApart. */
export const readApart = (read: (bytes: Uint8Array) => Promise<unknown>): void =>
  void process.once('message', async (bytes: Uint8Array) => process.send?.(await read(bytes)))
