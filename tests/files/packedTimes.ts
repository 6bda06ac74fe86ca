import { constants, deflateRawSync } from 'node:zlib'

/** The end of what is packed. */
const END = Buffer.from([0x03, 0x00])

/** A piece so many times over between a beginning and an end, packed piece by piece: gigabytes that are put together in a moment. */
export const packedTimes = (piece: Buffer | string, times: number, begin = '', end = ''): Buffer => {
  const pack = (what: Buffer | string) => deflateRawSync(what, { finishFlush: constants.Z_FULL_FLUSH })
  const packed = pack(piece)
  return Buffer.concat([pack(begin), ...Array.from({ length: times }, () => packed), pack(end), END])
}
