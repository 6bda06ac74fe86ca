/** Reads the one file that a process of its own was begun for, and answers; see workers/runApart. */
export const readApart = <I extends object>(read: (input: I) => Promise<unknown>): void =>
  void process.once('message', async (input: I) => process.send?.(await read(input)))
