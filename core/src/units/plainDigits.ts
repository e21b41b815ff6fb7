/**
 * A number to six digits as one writes it: no exponent where it can be helped, no trailing noughts; whole digits are never dropped.
 * @example plainDigits(0.0000876741) // "0.0000876741"
 * @example plainDigits(1234567.8) // "1234568"
 */
export function plainDigits(value: number, digits = 6): string {
  if (value === 0) return '0'
  const size = Math.floor(Math.log10(Math.abs(value)))
  if (size < -12 || size > 14) return value.toExponential(digits - 1)
  const text = value.toFixed(Math.min(20, Math.max(0, digits - 1 - size)))
  return text.includes('.') ? text.replace(/\.?0+$/, '') : text
}
