type ParsedNumber = { readonly ok: true; readonly value: number } | { readonly ok: false; readonly given: string }

/** Comma or point as the decimal mark, any of the minus signs a phone types, no thousands marks. */
const SHAPE = /^[+-]?(\d+([.,]\d*)?|[.,]\d+)$/

/**
 * Reads a number as a fitter types it. Accepts comma and point, and the true minus sign; refuses everything else,
 * so that "12o" or "1.2.3" never becomes a number by guessing.
 * @example parseNumber('−4,5') // { ok: true, value: -4.5 }
 */
export function parseNumber(text: string): ParsedNumber {
  const plain = text.trim().replace(/[\u2212\u2013]/g, '-')
  if (plain.length > 20 || !SHAPE.test(plain)) return { ok: false, given: text }
  const value = Number(plain.replace(',', '.'))
  return Number.isFinite(value) ? { ok: true, value } : { ok: false, given: text }
}
