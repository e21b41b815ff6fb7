import { sha256 as digest } from '@noble/hashes/sha2.js'
import { bytesToHex } from '@noble/hashes/utils.js'

/**
 * SHA-256 of bytes, as hex. Browsers do it themselves over https and on the machine itself alone; over plain http in a plant room's
 * network the package does.
 */
export async function sha256(body: ArrayBuffer): Promise<string> {
  const { subtle } = crypto as { subtle?: SubtleCrypto }
  return bytesToHex(subtle ? new Uint8Array(await subtle.digest('SHA-256', body)) : digest(new Uint8Array(body)))
}
