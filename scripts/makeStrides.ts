/**
 * Writes core/src/simulate/strides.ts: the loop that carries a small state over many equal strides, unrolled for each size. A loop over a
 * tiny matrix costs several times more than its arithmetic. Nothing of a scenario is in it: it is made once, here, and never in a page.
 */
import { writeFileSync } from 'node:fs'

export const sizes = Array.from({ length: 11 }, (_, i) => i + 2)

const list = (n: number, make: (i: number) => string, join: string) =>
  Array.from({ length: n }, (_, i) => make(i)).join(join)

function stride(n: number): string {
  return `
const strides${n}: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const ${list(n * n, (i) => `p${i} = phi[${i}]!`, ', ')}
  const ${list(n, (i) => `g${i} = g[${i}]!`, ', ')}
  let ${list(n, (i) => `f${i} = f[${i}]!`, ', ')}
  let o = from * ${n}
  let ${list(n, (i) => `x${i} = rows[o + ${i}]!`, ', ')}
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    ${list(n, (i) => `const y${i} = ${list(n, (j) => `p${i * n + j} * x${j}`, ' + ')} + f${i}`, '\n    ')}
    o += ${n}
    ${list(n, (i) => `rows[o + ${i}] = x${i} = y${i}`, '\n    ')}
    if (watches > 0) {
      const d = sign0 * (rows[o + at0]! - c0)
      if (d >= 0) return k
      if (k > 0 && before0 > d && before0 >= first0 && mayGraze(first0, before0, d)) return -k
      first0 = before0
      before0 = d
    }
    for (let w = 1; w < watches; w++) {
      const at = o + watchAt[w]!
      const sign = watchSign[w]!
      const c = watchC[w]!
      const d = sign * (rows[at]! - c)
      if (d >= 0) return k
      if (k > 0) {
        const before = sign * (rows[at - ${n}]! - c)
        if (before > d) {
          const first = sign * (rows[at - ${2 * n}]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    ${list(n, (i) => `f${i} += g${i}`, '\n    ')}
  }
  return count
}`
}

const text = `// Written by scripts/makeStrides.ts: do not change by hand.

/**
 * Carries a state over equal strides: row from + k is filled for k = 1 … count, x' = Φ x + f + k g. Ends early where a watched
 * component passes its value (sign × (x − c) ≥ 0).
 * @returns strides done with nothing passed; under 0 where a watched component may have touched its value within the strides to and from row −k
 */
export type Strides = (
  rows: Float64Array,
  from: number,
  count: number,
  phi: Float64Array,
  f: Float64Array,
  g: Float64Array,
  watches: number,
  watchAt: Int32Array,
  watchC: Float64Array,
  watchSign: Float64Array,
) => number

/** Whether the parabola through three distances (the middle one the nearest) comes to 0, with room for what is not one. */
function mayGraze(first: number, middle: number, last: number): boolean {
  const curve = 2 * middle - first - last
  return middle + (last - first) ** 2 / (8 * curve) + curve / 4 >= 0
}
${sizes.map(stride).join('\n')}

/** By size of the state. */
export const unrolled: Readonly<Record<number, Strides>> = {
${sizes.map((n) => `  ${n}: strides${n},`).join('\n')}
}

/** The same for any size: what the unrolled ones are held against. */
export const anySize =
  (n: number): Strides =>
  (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
    const moved = f.slice()
    for (let k = 0; k < count; k++) {
      const o = (from + k) * n
      for (let i = 0; i < n; i++) {
        let sum = 0
        for (let j = 0; j < n; j++) sum += phi[i * n + j]! * rows[o + j]!
        rows[o + n + i] = sum + moved[i]!
      }
      for (let w = 0; w < watches; w++) {
        const at = o + n + watchAt[w]!
        const distance = (back: number) => watchSign[w]! * (rows[at - back * n]! - watchC[w]!)
        const d = distance(0)
        if (d >= 0) return k
        if (k > 0 && distance(1) > d && distance(1) >= distance(2) && mayGraze(distance(2), distance(1), d)) return -k
      }
      for (let i = 0; i < n; i++) moved[i]! += g[i]!
    }
    return count
  }
`
writeFileSync(new URL('../core/src/simulate/strides.ts', import.meta.url), text)
