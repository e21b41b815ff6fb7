/**
 * JSON with the keys of every object in order and nothing between: equal values always give equal text, whatever a store
 * did to the order of keys. Members that are undefined are left out, as in JSON.
 */
export function canonicalJson(value: unknown): string {
  if (Array.isArray(value)) return `[${value.map((item) => canonicalJson(item ?? null)).join(',')}]`
  if (value !== null && typeof value === 'object') {
    const members = Object.entries(value)
      .filter(([, member]) => member !== undefined)
      .sort(([a], [b]) => (a < b ? -1 : a > b ? 1 : 0))
    return `{${members.map(([key, member]) => `${JSON.stringify(key)}:${canonicalJson(member)}`).join(',')}}`
  }
  return JSON.stringify(value) ?? 'null'
}

/** Whether two plain values are the same, key order aside; undefined and null are the same: absent. */
export const sameValue = (a: unknown, b: unknown) => canonicalJson(a ?? null) === canonicalJson(b ?? null)
