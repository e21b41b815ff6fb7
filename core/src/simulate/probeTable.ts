type Table = readonly (readonly number[])[]

/** What a table of another probe shows at a temperature; beyond its ends, its ends. */
export function tableValue(table: Table, at: number): number {
  const first = table[0]!
  const last = table[table.length - 1]!
  if (at <= first[0]!) return first[1]!
  if (at >= last[0]!) return last[1]!
  const k = table.findIndex(([from]) => from! > at)
  const [a, b] = [table[k - 1]!, table[k]!]
  return a[1]! + ((b[1]! - a[1]!) * (at - a[0]!)) / (b[0]! - a[0]!)
}

/** Where a table shows a value, and whether it rises there; nothing where it never does. */
export function tableInverse(table: Table, value: number): { at: number; sign: 1 | -1 } | null {
  for (let k = 1; k < table.length; k++) {
    const [a, b] = [table[k - 1]!, table[k]!]
    const [low, high] = a[1]! < b[1]! ? [a[1]!, b[1]!] : [b[1]!, a[1]!]
    if (low === high || value < low || value > high) continue
    return { at: a[0]! + ((b[0]! - a[0]!) * (value - a[1]!)) / (b[1]! - a[1]!), sign: b[1]! > a[1]! ? 1 : -1 }
  }
  return null
}
