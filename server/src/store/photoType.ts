import type { photoTypes } from '@nachtigal/contract/jobFileSchema'

const starts = (body: Uint8Array, at: number, bytes: readonly number[]) =>
  bytes.every((byte, i) => body[at + i] === byte)

/** What kind of picture these bytes are, by their own first bytes: nothing that was said of them is believed. */
export function photoType(body: Uint8Array): (typeof photoTypes)[number] | undefined {
  if (starts(body, 0, [0xff, 0xd8, 0xff])) return 'image/jpeg'
  if (starts(body, 0, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a])) return 'image/png'
  if (starts(body, 0, [0x52, 0x49, 0x46, 0x46]) && starts(body, 8, [0x57, 0x45, 0x42, 0x50])) return 'image/webp'
  return undefined
}
