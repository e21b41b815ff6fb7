import { crc32 } from 'node:zlib'
import type { photoTypes } from '@nachtigal/contract/jobFileSchema'

type PhotoType = (typeof photoTypes)[number]

const starts = (body: Uint8Array, at: number, bytes: readonly number[]) =>
  bytes.every((byte, i) => body[at + i] === byte)

/**
 * What kind of whole picture these bytes are, by their own structure: nothing that was said of them is believed, and one that was cut
 * off on its way is none.
 */
export function photoType(body: Uint8Array): PhotoType | undefined {
  if (starts(body, 0, [0xff, 0xd8, 0xff])) return isWholeJpeg(body) ? 'image/jpeg' : undefined
  if (starts(body, 0, [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a]))
    return isWholePng(body) ? 'image/png' : undefined
  if (starts(body, 0, [0x52, 0x49, 0x46, 0x46]) && starts(body, 8, [0x57, 0x45, 0x42, 0x50]))
    return isWholeWebp(body) ? 'image/webp' : undefined
  return undefined
}

const viewOf = (body: Uint8Array) => new DataView(body.buffer, body.byteOffset, body.byteLength)

/** Chunks up to the end mark, each with its check sum. */
function isWholePng(body: Uint8Array): boolean {
  const view = viewOf(body)
  let pictures = 0
  for (let at = 8; at + 12 <= body.byteLength;) {
    const length = view.getUint32(at)
    const end = at + 12 + length
    if (end > body.byteLength) return false
    const typed = body.subarray(at + 4, at + 8 + length)
    if (crc32(typed) !== view.getUint32(end - 4)) return false
    const type = String.fromCharCode(...typed.subarray(0, 4))
    if (at === 8 && type !== 'IHDR') return false
    if (type === 'IDAT') pictures++
    if (type === 'IEND') return pictures > 0
    at = end
  }
  return false
}

/** Segments to the scan, a frame among them, and the end mark behind it. */
function isWholeJpeg(body: Uint8Array): boolean {
  const view = viewOf(body)
  let framed = false
  for (let at = 2; at + 4 <= body.byteLength;) {
    if (body[at] !== 0xff) return false
    const marker = body[at + 1]!
    if (marker === 0xff) {
      at++
      continue
    }
    const length = view.getUint16(at + 2)
    if (length < 2) return false
    // Frames: C0 to CF but for tables (C4), extensions (C8) and conditioning (CC).
    if (marker >= 0xc0 && marker <= 0xcf && ![0xc4, 0xc8, 0xcc].includes(marker)) framed = true
    if (marker === 0xda) return framed && endsScan(body, at + 2 + length)
    at += 2 + length
  }
  return false
}

/** Whether the end mark comes after the scan; cameras put a few bytes behind it. */
function endsScan(body: Uint8Array, from: number): boolean {
  for (let at = body.byteLength - 2; at > from; at--) if (body[at] === 0xff && body[at + 1] === 0xd9) return true
  return false
}

/** The length that it says of itself, and chunks that fill it. */
function isWholeWebp(body: Uint8Array): boolean {
  const view = viewOf(body)
  const end = 8 + view.getUint32(4, true)
  if (end > body.byteLength || end < 20) return false
  let pictures = 0
  for (let at = 12; at + 8 <= end;) {
    const type = String.fromCharCode(...body.subarray(at, at + 4))
    const length = view.getUint32(at + 4, true)
    if (at + 8 + length > end) return false
    if (type === 'VP8 ' || type === 'VP8L' || type === 'ANMF') pictures++
    at += 8 + length + (length % 2)
  }
  return pictures > 0
}
