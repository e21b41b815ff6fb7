/** Longest side of a kept photo, pixels: a label can be read, and a plant room\u2019s network bears it. */
const LONGEST = 1600
const QUALITY = 0.82
/** Larger files are no photo of a phone. */
const MOST_BYTES = 40_000_000

/**
 * A photo made small enough to be kept, as JPEG; where and when it was taken goes with what is thrown away.
 * @throws RangeError when the file is too large or no picture
 */
export async function smallPhoto(file: File): Promise<Blob> {
  if (file.size > MOST_BYTES) throw new RangeError(`Photo has ${Math.round(file.size / 1e6)} MB: at most 40 MB.`)
  const bitmap = await createImageBitmap(file).catch(() => undefined)
  if (!bitmap) throw new RangeError('Photo is no picture that this browser can read: JPEG, PNG or WebP.')
  const scale = Math.min(1, LONGEST / Math.max(bitmap.width, bitmap.height))
  const canvas = document.createElement('canvas')
  canvas.width = Math.max(1, Math.round(bitmap.width * scale))
  canvas.height = Math.max(1, Math.round(bitmap.height * scale))
  canvas.getContext('2d')!.drawImage(bitmap, 0, 0, canvas.width, canvas.height)
  bitmap.close()
  const blob = await new Promise<Blob | null>((resolve) => canvas.toBlob(resolve, 'image/jpeg', QUALITY))
  if (!blob) throw new RangeError('Photo could not be made small.')
  return blob
}
