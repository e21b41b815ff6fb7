// Written by scripts/makeStrides.ts: do not change by hand.

/**
 * Carries a state over equal strides: row from + k is filled for k = 1 … count, x' = Φ x + f + k g. Ends early where a watched
 * component passes its value (sign × (x − c) ≥ 0).
 * @returns strides done with nothing passed; under 0 where a watched component may have touched its value within the strides to and from row −k
 */
type Strides = (
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

const strides2: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!
  const g0 = g[0]!,
    g1 = g[1]!
  let f0 = f[0]!,
    f1 = f[1]!
  let o = from * 2
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + f0
    const y1 = p2 * x0 + p3 * x1 + f1
    o += 2
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
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
        const before = sign * (rows[at - 2]! - c)
        if (before > d) {
          const first = sign * (rows[at - 4]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
  }
  return count
}

const strides3: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!
  let o = from * 3
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + f0
    const y1 = p3 * x0 + p4 * x1 + p5 * x2 + f1
    const y2 = p6 * x0 + p7 * x1 + p8 * x2 + f2
    o += 3
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
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
        const before = sign * (rows[at - 3]! - c)
        if (before > d) {
          const first = sign * (rows[at - 6]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
  }
  return count
}

const strides4: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!
  let o = from * 4
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + f0
    const y1 = p4 * x0 + p5 * x1 + p6 * x2 + p7 * x3 + f1
    const y2 = p8 * x0 + p9 * x1 + p10 * x2 + p11 * x3 + f2
    const y3 = p12 * x0 + p13 * x1 + p14 * x2 + p15 * x3 + f3
    o += 4
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
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
        const before = sign * (rows[at - 4]! - c)
        if (before > d) {
          const first = sign * (rows[at - 8]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
  }
  return count
}

const strides5: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!
  let o = from * 5
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + p4 * x4 + f0
    const y1 = p5 * x0 + p6 * x1 + p7 * x2 + p8 * x3 + p9 * x4 + f1
    const y2 = p10 * x0 + p11 * x1 + p12 * x2 + p13 * x3 + p14 * x4 + f2
    const y3 = p15 * x0 + p16 * x1 + p17 * x2 + p18 * x3 + p19 * x4 + f3
    const y4 = p20 * x0 + p21 * x1 + p22 * x2 + p23 * x3 + p24 * x4 + f4
    o += 5
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
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
        const before = sign * (rows[at - 5]! - c)
        if (before > d) {
          const first = sign * (rows[at - 10]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
  }
  return count
}

const strides6: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!,
    p25 = phi[25]!,
    p26 = phi[26]!,
    p27 = phi[27]!,
    p28 = phi[28]!,
    p29 = phi[29]!,
    p30 = phi[30]!,
    p31 = phi[31]!,
    p32 = phi[32]!,
    p33 = phi[33]!,
    p34 = phi[34]!,
    p35 = phi[35]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!,
    g5 = g[5]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!,
    f5 = f[5]!
  let o = from * 6
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!,
    x5 = rows[o + 5]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + p4 * x4 + p5 * x5 + f0
    const y1 = p6 * x0 + p7 * x1 + p8 * x2 + p9 * x3 + p10 * x4 + p11 * x5 + f1
    const y2 = p12 * x0 + p13 * x1 + p14 * x2 + p15 * x3 + p16 * x4 + p17 * x5 + f2
    const y3 = p18 * x0 + p19 * x1 + p20 * x2 + p21 * x3 + p22 * x4 + p23 * x5 + f3
    const y4 = p24 * x0 + p25 * x1 + p26 * x2 + p27 * x3 + p28 * x4 + p29 * x5 + f4
    const y5 = p30 * x0 + p31 * x1 + p32 * x2 + p33 * x3 + p34 * x4 + p35 * x5 + f5
    o += 6
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
    rows[o + 5] = x5 = y5
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
        const before = sign * (rows[at - 6]! - c)
        if (before > d) {
          const first = sign * (rows[at - 12]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
    f5 += g5
  }
  return count
}

const strides7: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!,
    p25 = phi[25]!,
    p26 = phi[26]!,
    p27 = phi[27]!,
    p28 = phi[28]!,
    p29 = phi[29]!,
    p30 = phi[30]!,
    p31 = phi[31]!,
    p32 = phi[32]!,
    p33 = phi[33]!,
    p34 = phi[34]!,
    p35 = phi[35]!,
    p36 = phi[36]!,
    p37 = phi[37]!,
    p38 = phi[38]!,
    p39 = phi[39]!,
    p40 = phi[40]!,
    p41 = phi[41]!,
    p42 = phi[42]!,
    p43 = phi[43]!,
    p44 = phi[44]!,
    p45 = phi[45]!,
    p46 = phi[46]!,
    p47 = phi[47]!,
    p48 = phi[48]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!,
    g5 = g[5]!,
    g6 = g[6]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!,
    f5 = f[5]!,
    f6 = f[6]!
  let o = from * 7
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!,
    x5 = rows[o + 5]!,
    x6 = rows[o + 6]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + p4 * x4 + p5 * x5 + p6 * x6 + f0
    const y1 = p7 * x0 + p8 * x1 + p9 * x2 + p10 * x3 + p11 * x4 + p12 * x5 + p13 * x6 + f1
    const y2 = p14 * x0 + p15 * x1 + p16 * x2 + p17 * x3 + p18 * x4 + p19 * x5 + p20 * x6 + f2
    const y3 = p21 * x0 + p22 * x1 + p23 * x2 + p24 * x3 + p25 * x4 + p26 * x5 + p27 * x6 + f3
    const y4 = p28 * x0 + p29 * x1 + p30 * x2 + p31 * x3 + p32 * x4 + p33 * x5 + p34 * x6 + f4
    const y5 = p35 * x0 + p36 * x1 + p37 * x2 + p38 * x3 + p39 * x4 + p40 * x5 + p41 * x6 + f5
    const y6 = p42 * x0 + p43 * x1 + p44 * x2 + p45 * x3 + p46 * x4 + p47 * x5 + p48 * x6 + f6
    o += 7
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
    rows[o + 5] = x5 = y5
    rows[o + 6] = x6 = y6
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
        const before = sign * (rows[at - 7]! - c)
        if (before > d) {
          const first = sign * (rows[at - 14]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
    f5 += g5
    f6 += g6
  }
  return count
}

const strides8: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!,
    p25 = phi[25]!,
    p26 = phi[26]!,
    p27 = phi[27]!,
    p28 = phi[28]!,
    p29 = phi[29]!,
    p30 = phi[30]!,
    p31 = phi[31]!,
    p32 = phi[32]!,
    p33 = phi[33]!,
    p34 = phi[34]!,
    p35 = phi[35]!,
    p36 = phi[36]!,
    p37 = phi[37]!,
    p38 = phi[38]!,
    p39 = phi[39]!,
    p40 = phi[40]!,
    p41 = phi[41]!,
    p42 = phi[42]!,
    p43 = phi[43]!,
    p44 = phi[44]!,
    p45 = phi[45]!,
    p46 = phi[46]!,
    p47 = phi[47]!,
    p48 = phi[48]!,
    p49 = phi[49]!,
    p50 = phi[50]!,
    p51 = phi[51]!,
    p52 = phi[52]!,
    p53 = phi[53]!,
    p54 = phi[54]!,
    p55 = phi[55]!,
    p56 = phi[56]!,
    p57 = phi[57]!,
    p58 = phi[58]!,
    p59 = phi[59]!,
    p60 = phi[60]!,
    p61 = phi[61]!,
    p62 = phi[62]!,
    p63 = phi[63]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!,
    g5 = g[5]!,
    g6 = g[6]!,
    g7 = g[7]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!,
    f5 = f[5]!,
    f6 = f[6]!,
    f7 = f[7]!
  let o = from * 8
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!,
    x5 = rows[o + 5]!,
    x6 = rows[o + 6]!,
    x7 = rows[o + 7]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + p4 * x4 + p5 * x5 + p6 * x6 + p7 * x7 + f0
    const y1 = p8 * x0 + p9 * x1 + p10 * x2 + p11 * x3 + p12 * x4 + p13 * x5 + p14 * x6 + p15 * x7 + f1
    const y2 = p16 * x0 + p17 * x1 + p18 * x2 + p19 * x3 + p20 * x4 + p21 * x5 + p22 * x6 + p23 * x7 + f2
    const y3 = p24 * x0 + p25 * x1 + p26 * x2 + p27 * x3 + p28 * x4 + p29 * x5 + p30 * x6 + p31 * x7 + f3
    const y4 = p32 * x0 + p33 * x1 + p34 * x2 + p35 * x3 + p36 * x4 + p37 * x5 + p38 * x6 + p39 * x7 + f4
    const y5 = p40 * x0 + p41 * x1 + p42 * x2 + p43 * x3 + p44 * x4 + p45 * x5 + p46 * x6 + p47 * x7 + f5
    const y6 = p48 * x0 + p49 * x1 + p50 * x2 + p51 * x3 + p52 * x4 + p53 * x5 + p54 * x6 + p55 * x7 + f6
    const y7 = p56 * x0 + p57 * x1 + p58 * x2 + p59 * x3 + p60 * x4 + p61 * x5 + p62 * x6 + p63 * x7 + f7
    o += 8
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
    rows[o + 5] = x5 = y5
    rows[o + 6] = x6 = y6
    rows[o + 7] = x7 = y7
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
        const before = sign * (rows[at - 8]! - c)
        if (before > d) {
          const first = sign * (rows[at - 16]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
    f5 += g5
    f6 += g6
    f7 += g7
  }
  return count
}

const strides9: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!,
    p25 = phi[25]!,
    p26 = phi[26]!,
    p27 = phi[27]!,
    p28 = phi[28]!,
    p29 = phi[29]!,
    p30 = phi[30]!,
    p31 = phi[31]!,
    p32 = phi[32]!,
    p33 = phi[33]!,
    p34 = phi[34]!,
    p35 = phi[35]!,
    p36 = phi[36]!,
    p37 = phi[37]!,
    p38 = phi[38]!,
    p39 = phi[39]!,
    p40 = phi[40]!,
    p41 = phi[41]!,
    p42 = phi[42]!,
    p43 = phi[43]!,
    p44 = phi[44]!,
    p45 = phi[45]!,
    p46 = phi[46]!,
    p47 = phi[47]!,
    p48 = phi[48]!,
    p49 = phi[49]!,
    p50 = phi[50]!,
    p51 = phi[51]!,
    p52 = phi[52]!,
    p53 = phi[53]!,
    p54 = phi[54]!,
    p55 = phi[55]!,
    p56 = phi[56]!,
    p57 = phi[57]!,
    p58 = phi[58]!,
    p59 = phi[59]!,
    p60 = phi[60]!,
    p61 = phi[61]!,
    p62 = phi[62]!,
    p63 = phi[63]!,
    p64 = phi[64]!,
    p65 = phi[65]!,
    p66 = phi[66]!,
    p67 = phi[67]!,
    p68 = phi[68]!,
    p69 = phi[69]!,
    p70 = phi[70]!,
    p71 = phi[71]!,
    p72 = phi[72]!,
    p73 = phi[73]!,
    p74 = phi[74]!,
    p75 = phi[75]!,
    p76 = phi[76]!,
    p77 = phi[77]!,
    p78 = phi[78]!,
    p79 = phi[79]!,
    p80 = phi[80]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!,
    g5 = g[5]!,
    g6 = g[6]!,
    g7 = g[7]!,
    g8 = g[8]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!,
    f5 = f[5]!,
    f6 = f[6]!,
    f7 = f[7]!,
    f8 = f[8]!
  let o = from * 9
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!,
    x5 = rows[o + 5]!,
    x6 = rows[o + 6]!,
    x7 = rows[o + 7]!,
    x8 = rows[o + 8]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + p4 * x4 + p5 * x5 + p6 * x6 + p7 * x7 + p8 * x8 + f0
    const y1 = p9 * x0 + p10 * x1 + p11 * x2 + p12 * x3 + p13 * x4 + p14 * x5 + p15 * x6 + p16 * x7 + p17 * x8 + f1
    const y2 = p18 * x0 + p19 * x1 + p20 * x2 + p21 * x3 + p22 * x4 + p23 * x5 + p24 * x6 + p25 * x7 + p26 * x8 + f2
    const y3 = p27 * x0 + p28 * x1 + p29 * x2 + p30 * x3 + p31 * x4 + p32 * x5 + p33 * x6 + p34 * x7 + p35 * x8 + f3
    const y4 = p36 * x0 + p37 * x1 + p38 * x2 + p39 * x3 + p40 * x4 + p41 * x5 + p42 * x6 + p43 * x7 + p44 * x8 + f4
    const y5 = p45 * x0 + p46 * x1 + p47 * x2 + p48 * x3 + p49 * x4 + p50 * x5 + p51 * x6 + p52 * x7 + p53 * x8 + f5
    const y6 = p54 * x0 + p55 * x1 + p56 * x2 + p57 * x3 + p58 * x4 + p59 * x5 + p60 * x6 + p61 * x7 + p62 * x8 + f6
    const y7 = p63 * x0 + p64 * x1 + p65 * x2 + p66 * x3 + p67 * x4 + p68 * x5 + p69 * x6 + p70 * x7 + p71 * x8 + f7
    const y8 = p72 * x0 + p73 * x1 + p74 * x2 + p75 * x3 + p76 * x4 + p77 * x5 + p78 * x6 + p79 * x7 + p80 * x8 + f8
    o += 9
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
    rows[o + 5] = x5 = y5
    rows[o + 6] = x6 = y6
    rows[o + 7] = x7 = y7
    rows[o + 8] = x8 = y8
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
        const before = sign * (rows[at - 9]! - c)
        if (before > d) {
          const first = sign * (rows[at - 18]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
    f5 += g5
    f6 += g6
    f7 += g7
    f8 += g8
  }
  return count
}

const strides10: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!,
    p25 = phi[25]!,
    p26 = phi[26]!,
    p27 = phi[27]!,
    p28 = phi[28]!,
    p29 = phi[29]!,
    p30 = phi[30]!,
    p31 = phi[31]!,
    p32 = phi[32]!,
    p33 = phi[33]!,
    p34 = phi[34]!,
    p35 = phi[35]!,
    p36 = phi[36]!,
    p37 = phi[37]!,
    p38 = phi[38]!,
    p39 = phi[39]!,
    p40 = phi[40]!,
    p41 = phi[41]!,
    p42 = phi[42]!,
    p43 = phi[43]!,
    p44 = phi[44]!,
    p45 = phi[45]!,
    p46 = phi[46]!,
    p47 = phi[47]!,
    p48 = phi[48]!,
    p49 = phi[49]!,
    p50 = phi[50]!,
    p51 = phi[51]!,
    p52 = phi[52]!,
    p53 = phi[53]!,
    p54 = phi[54]!,
    p55 = phi[55]!,
    p56 = phi[56]!,
    p57 = phi[57]!,
    p58 = phi[58]!,
    p59 = phi[59]!,
    p60 = phi[60]!,
    p61 = phi[61]!,
    p62 = phi[62]!,
    p63 = phi[63]!,
    p64 = phi[64]!,
    p65 = phi[65]!,
    p66 = phi[66]!,
    p67 = phi[67]!,
    p68 = phi[68]!,
    p69 = phi[69]!,
    p70 = phi[70]!,
    p71 = phi[71]!,
    p72 = phi[72]!,
    p73 = phi[73]!,
    p74 = phi[74]!,
    p75 = phi[75]!,
    p76 = phi[76]!,
    p77 = phi[77]!,
    p78 = phi[78]!,
    p79 = phi[79]!,
    p80 = phi[80]!,
    p81 = phi[81]!,
    p82 = phi[82]!,
    p83 = phi[83]!,
    p84 = phi[84]!,
    p85 = phi[85]!,
    p86 = phi[86]!,
    p87 = phi[87]!,
    p88 = phi[88]!,
    p89 = phi[89]!,
    p90 = phi[90]!,
    p91 = phi[91]!,
    p92 = phi[92]!,
    p93 = phi[93]!,
    p94 = phi[94]!,
    p95 = phi[95]!,
    p96 = phi[96]!,
    p97 = phi[97]!,
    p98 = phi[98]!,
    p99 = phi[99]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!,
    g5 = g[5]!,
    g6 = g[6]!,
    g7 = g[7]!,
    g8 = g[8]!,
    g9 = g[9]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!,
    f5 = f[5]!,
    f6 = f[6]!,
    f7 = f[7]!,
    f8 = f[8]!,
    f9 = f[9]!
  let o = from * 10
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!,
    x5 = rows[o + 5]!,
    x6 = rows[o + 6]!,
    x7 = rows[o + 7]!,
    x8 = rows[o + 8]!,
    x9 = rows[o + 9]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 = p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + p4 * x4 + p5 * x5 + p6 * x6 + p7 * x7 + p8 * x8 + p9 * x9 + f0
    const y1 =
      p10 * x0 + p11 * x1 + p12 * x2 + p13 * x3 + p14 * x4 + p15 * x5 + p16 * x6 + p17 * x7 + p18 * x8 + p19 * x9 + f1
    const y2 =
      p20 * x0 + p21 * x1 + p22 * x2 + p23 * x3 + p24 * x4 + p25 * x5 + p26 * x6 + p27 * x7 + p28 * x8 + p29 * x9 + f2
    const y3 =
      p30 * x0 + p31 * x1 + p32 * x2 + p33 * x3 + p34 * x4 + p35 * x5 + p36 * x6 + p37 * x7 + p38 * x8 + p39 * x9 + f3
    const y4 =
      p40 * x0 + p41 * x1 + p42 * x2 + p43 * x3 + p44 * x4 + p45 * x5 + p46 * x6 + p47 * x7 + p48 * x8 + p49 * x9 + f4
    const y5 =
      p50 * x0 + p51 * x1 + p52 * x2 + p53 * x3 + p54 * x4 + p55 * x5 + p56 * x6 + p57 * x7 + p58 * x8 + p59 * x9 + f5
    const y6 =
      p60 * x0 + p61 * x1 + p62 * x2 + p63 * x3 + p64 * x4 + p65 * x5 + p66 * x6 + p67 * x7 + p68 * x8 + p69 * x9 + f6
    const y7 =
      p70 * x0 + p71 * x1 + p72 * x2 + p73 * x3 + p74 * x4 + p75 * x5 + p76 * x6 + p77 * x7 + p78 * x8 + p79 * x9 + f7
    const y8 =
      p80 * x0 + p81 * x1 + p82 * x2 + p83 * x3 + p84 * x4 + p85 * x5 + p86 * x6 + p87 * x7 + p88 * x8 + p89 * x9 + f8
    const y9 =
      p90 * x0 + p91 * x1 + p92 * x2 + p93 * x3 + p94 * x4 + p95 * x5 + p96 * x6 + p97 * x7 + p98 * x8 + p99 * x9 + f9
    o += 10
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
    rows[o + 5] = x5 = y5
    rows[o + 6] = x6 = y6
    rows[o + 7] = x7 = y7
    rows[o + 8] = x8 = y8
    rows[o + 9] = x9 = y9
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
        const before = sign * (rows[at - 10]! - c)
        if (before > d) {
          const first = sign * (rows[at - 20]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
    f5 += g5
    f6 += g6
    f7 += g7
    f8 += g8
    f9 += g9
  }
  return count
}

const strides11: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!,
    p25 = phi[25]!,
    p26 = phi[26]!,
    p27 = phi[27]!,
    p28 = phi[28]!,
    p29 = phi[29]!,
    p30 = phi[30]!,
    p31 = phi[31]!,
    p32 = phi[32]!,
    p33 = phi[33]!,
    p34 = phi[34]!,
    p35 = phi[35]!,
    p36 = phi[36]!,
    p37 = phi[37]!,
    p38 = phi[38]!,
    p39 = phi[39]!,
    p40 = phi[40]!,
    p41 = phi[41]!,
    p42 = phi[42]!,
    p43 = phi[43]!,
    p44 = phi[44]!,
    p45 = phi[45]!,
    p46 = phi[46]!,
    p47 = phi[47]!,
    p48 = phi[48]!,
    p49 = phi[49]!,
    p50 = phi[50]!,
    p51 = phi[51]!,
    p52 = phi[52]!,
    p53 = phi[53]!,
    p54 = phi[54]!,
    p55 = phi[55]!,
    p56 = phi[56]!,
    p57 = phi[57]!,
    p58 = phi[58]!,
    p59 = phi[59]!,
    p60 = phi[60]!,
    p61 = phi[61]!,
    p62 = phi[62]!,
    p63 = phi[63]!,
    p64 = phi[64]!,
    p65 = phi[65]!,
    p66 = phi[66]!,
    p67 = phi[67]!,
    p68 = phi[68]!,
    p69 = phi[69]!,
    p70 = phi[70]!,
    p71 = phi[71]!,
    p72 = phi[72]!,
    p73 = phi[73]!,
    p74 = phi[74]!,
    p75 = phi[75]!,
    p76 = phi[76]!,
    p77 = phi[77]!,
    p78 = phi[78]!,
    p79 = phi[79]!,
    p80 = phi[80]!,
    p81 = phi[81]!,
    p82 = phi[82]!,
    p83 = phi[83]!,
    p84 = phi[84]!,
    p85 = phi[85]!,
    p86 = phi[86]!,
    p87 = phi[87]!,
    p88 = phi[88]!,
    p89 = phi[89]!,
    p90 = phi[90]!,
    p91 = phi[91]!,
    p92 = phi[92]!,
    p93 = phi[93]!,
    p94 = phi[94]!,
    p95 = phi[95]!,
    p96 = phi[96]!,
    p97 = phi[97]!,
    p98 = phi[98]!,
    p99 = phi[99]!,
    p100 = phi[100]!,
    p101 = phi[101]!,
    p102 = phi[102]!,
    p103 = phi[103]!,
    p104 = phi[104]!,
    p105 = phi[105]!,
    p106 = phi[106]!,
    p107 = phi[107]!,
    p108 = phi[108]!,
    p109 = phi[109]!,
    p110 = phi[110]!,
    p111 = phi[111]!,
    p112 = phi[112]!,
    p113 = phi[113]!,
    p114 = phi[114]!,
    p115 = phi[115]!,
    p116 = phi[116]!,
    p117 = phi[117]!,
    p118 = phi[118]!,
    p119 = phi[119]!,
    p120 = phi[120]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!,
    g5 = g[5]!,
    g6 = g[6]!,
    g7 = g[7]!,
    g8 = g[8]!,
    g9 = g[9]!,
    g10 = g[10]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!,
    f5 = f[5]!,
    f6 = f[6]!,
    f7 = f[7]!,
    f8 = f[8]!,
    f9 = f[9]!,
    f10 = f[10]!
  let o = from * 11
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!,
    x5 = rows[o + 5]!,
    x6 = rows[o + 6]!,
    x7 = rows[o + 7]!,
    x8 = rows[o + 8]!,
    x9 = rows[o + 9]!,
    x10 = rows[o + 10]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 =
      p0 * x0 + p1 * x1 + p2 * x2 + p3 * x3 + p4 * x4 + p5 * x5 + p6 * x6 + p7 * x7 + p8 * x8 + p9 * x9 + p10 * x10 + f0
    const y1 =
      p11 * x0 +
      p12 * x1 +
      p13 * x2 +
      p14 * x3 +
      p15 * x4 +
      p16 * x5 +
      p17 * x6 +
      p18 * x7 +
      p19 * x8 +
      p20 * x9 +
      p21 * x10 +
      f1
    const y2 =
      p22 * x0 +
      p23 * x1 +
      p24 * x2 +
      p25 * x3 +
      p26 * x4 +
      p27 * x5 +
      p28 * x6 +
      p29 * x7 +
      p30 * x8 +
      p31 * x9 +
      p32 * x10 +
      f2
    const y3 =
      p33 * x0 +
      p34 * x1 +
      p35 * x2 +
      p36 * x3 +
      p37 * x4 +
      p38 * x5 +
      p39 * x6 +
      p40 * x7 +
      p41 * x8 +
      p42 * x9 +
      p43 * x10 +
      f3
    const y4 =
      p44 * x0 +
      p45 * x1 +
      p46 * x2 +
      p47 * x3 +
      p48 * x4 +
      p49 * x5 +
      p50 * x6 +
      p51 * x7 +
      p52 * x8 +
      p53 * x9 +
      p54 * x10 +
      f4
    const y5 =
      p55 * x0 +
      p56 * x1 +
      p57 * x2 +
      p58 * x3 +
      p59 * x4 +
      p60 * x5 +
      p61 * x6 +
      p62 * x7 +
      p63 * x8 +
      p64 * x9 +
      p65 * x10 +
      f5
    const y6 =
      p66 * x0 +
      p67 * x1 +
      p68 * x2 +
      p69 * x3 +
      p70 * x4 +
      p71 * x5 +
      p72 * x6 +
      p73 * x7 +
      p74 * x8 +
      p75 * x9 +
      p76 * x10 +
      f6
    const y7 =
      p77 * x0 +
      p78 * x1 +
      p79 * x2 +
      p80 * x3 +
      p81 * x4 +
      p82 * x5 +
      p83 * x6 +
      p84 * x7 +
      p85 * x8 +
      p86 * x9 +
      p87 * x10 +
      f7
    const y8 =
      p88 * x0 +
      p89 * x1 +
      p90 * x2 +
      p91 * x3 +
      p92 * x4 +
      p93 * x5 +
      p94 * x6 +
      p95 * x7 +
      p96 * x8 +
      p97 * x9 +
      p98 * x10 +
      f8
    const y9 =
      p99 * x0 +
      p100 * x1 +
      p101 * x2 +
      p102 * x3 +
      p103 * x4 +
      p104 * x5 +
      p105 * x6 +
      p106 * x7 +
      p107 * x8 +
      p108 * x9 +
      p109 * x10 +
      f9
    const y10 =
      p110 * x0 +
      p111 * x1 +
      p112 * x2 +
      p113 * x3 +
      p114 * x4 +
      p115 * x5 +
      p116 * x6 +
      p117 * x7 +
      p118 * x8 +
      p119 * x9 +
      p120 * x10 +
      f10
    o += 11
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
    rows[o + 5] = x5 = y5
    rows[o + 6] = x6 = y6
    rows[o + 7] = x7 = y7
    rows[o + 8] = x8 = y8
    rows[o + 9] = x9 = y9
    rows[o + 10] = x10 = y10
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
        const before = sign * (rows[at - 11]! - c)
        if (before > d) {
          const first = sign * (rows[at - 22]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
    f5 += g5
    f6 += g6
    f7 += g7
    f8 += g8
    f9 += g9
    f10 += g10
  }
  return count
}

const strides12: Strides = (rows, from, count, phi, f, g, watches, watchAt, watchC, watchSign) => {
  const p0 = phi[0]!,
    p1 = phi[1]!,
    p2 = phi[2]!,
    p3 = phi[3]!,
    p4 = phi[4]!,
    p5 = phi[5]!,
    p6 = phi[6]!,
    p7 = phi[7]!,
    p8 = phi[8]!,
    p9 = phi[9]!,
    p10 = phi[10]!,
    p11 = phi[11]!,
    p12 = phi[12]!,
    p13 = phi[13]!,
    p14 = phi[14]!,
    p15 = phi[15]!,
    p16 = phi[16]!,
    p17 = phi[17]!,
    p18 = phi[18]!,
    p19 = phi[19]!,
    p20 = phi[20]!,
    p21 = phi[21]!,
    p22 = phi[22]!,
    p23 = phi[23]!,
    p24 = phi[24]!,
    p25 = phi[25]!,
    p26 = phi[26]!,
    p27 = phi[27]!,
    p28 = phi[28]!,
    p29 = phi[29]!,
    p30 = phi[30]!,
    p31 = phi[31]!,
    p32 = phi[32]!,
    p33 = phi[33]!,
    p34 = phi[34]!,
    p35 = phi[35]!,
    p36 = phi[36]!,
    p37 = phi[37]!,
    p38 = phi[38]!,
    p39 = phi[39]!,
    p40 = phi[40]!,
    p41 = phi[41]!,
    p42 = phi[42]!,
    p43 = phi[43]!,
    p44 = phi[44]!,
    p45 = phi[45]!,
    p46 = phi[46]!,
    p47 = phi[47]!,
    p48 = phi[48]!,
    p49 = phi[49]!,
    p50 = phi[50]!,
    p51 = phi[51]!,
    p52 = phi[52]!,
    p53 = phi[53]!,
    p54 = phi[54]!,
    p55 = phi[55]!,
    p56 = phi[56]!,
    p57 = phi[57]!,
    p58 = phi[58]!,
    p59 = phi[59]!,
    p60 = phi[60]!,
    p61 = phi[61]!,
    p62 = phi[62]!,
    p63 = phi[63]!,
    p64 = phi[64]!,
    p65 = phi[65]!,
    p66 = phi[66]!,
    p67 = phi[67]!,
    p68 = phi[68]!,
    p69 = phi[69]!,
    p70 = phi[70]!,
    p71 = phi[71]!,
    p72 = phi[72]!,
    p73 = phi[73]!,
    p74 = phi[74]!,
    p75 = phi[75]!,
    p76 = phi[76]!,
    p77 = phi[77]!,
    p78 = phi[78]!,
    p79 = phi[79]!,
    p80 = phi[80]!,
    p81 = phi[81]!,
    p82 = phi[82]!,
    p83 = phi[83]!,
    p84 = phi[84]!,
    p85 = phi[85]!,
    p86 = phi[86]!,
    p87 = phi[87]!,
    p88 = phi[88]!,
    p89 = phi[89]!,
    p90 = phi[90]!,
    p91 = phi[91]!,
    p92 = phi[92]!,
    p93 = phi[93]!,
    p94 = phi[94]!,
    p95 = phi[95]!,
    p96 = phi[96]!,
    p97 = phi[97]!,
    p98 = phi[98]!,
    p99 = phi[99]!,
    p100 = phi[100]!,
    p101 = phi[101]!,
    p102 = phi[102]!,
    p103 = phi[103]!,
    p104 = phi[104]!,
    p105 = phi[105]!,
    p106 = phi[106]!,
    p107 = phi[107]!,
    p108 = phi[108]!,
    p109 = phi[109]!,
    p110 = phi[110]!,
    p111 = phi[111]!,
    p112 = phi[112]!,
    p113 = phi[113]!,
    p114 = phi[114]!,
    p115 = phi[115]!,
    p116 = phi[116]!,
    p117 = phi[117]!,
    p118 = phi[118]!,
    p119 = phi[119]!,
    p120 = phi[120]!,
    p121 = phi[121]!,
    p122 = phi[122]!,
    p123 = phi[123]!,
    p124 = phi[124]!,
    p125 = phi[125]!,
    p126 = phi[126]!,
    p127 = phi[127]!,
    p128 = phi[128]!,
    p129 = phi[129]!,
    p130 = phi[130]!,
    p131 = phi[131]!,
    p132 = phi[132]!,
    p133 = phi[133]!,
    p134 = phi[134]!,
    p135 = phi[135]!,
    p136 = phi[136]!,
    p137 = phi[137]!,
    p138 = phi[138]!,
    p139 = phi[139]!,
    p140 = phi[140]!,
    p141 = phi[141]!,
    p142 = phi[142]!,
    p143 = phi[143]!
  const g0 = g[0]!,
    g1 = g[1]!,
    g2 = g[2]!,
    g3 = g[3]!,
    g4 = g[4]!,
    g5 = g[5]!,
    g6 = g[6]!,
    g7 = g[7]!,
    g8 = g[8]!,
    g9 = g[9]!,
    g10 = g[10]!,
    g11 = g[11]!
  let f0 = f[0]!,
    f1 = f[1]!,
    f2 = f[2]!,
    f3 = f[3]!,
    f4 = f[4]!,
    f5 = f[5]!,
    f6 = f[6]!,
    f7 = f[7]!,
    f8 = f[8]!,
    f9 = f[9]!,
    f10 = f[10]!,
    f11 = f[11]!
  let o = from * 12
  let x0 = rows[o + 0]!,
    x1 = rows[o + 1]!,
    x2 = rows[o + 2]!,
    x3 = rows[o + 3]!,
    x4 = rows[o + 4]!,
    x5 = rows[o + 5]!,
    x6 = rows[o + 6]!,
    x7 = rows[o + 7]!,
    x8 = rows[o + 8]!,
    x9 = rows[o + 9]!,
    x10 = rows[o + 10]!,
    x11 = rows[o + 11]!
  // The first watch, which is mostly the only one, is kept out of memory.
  const at0 = watchAt[0]!
  const sign0 = watches > 0 ? watchSign[0]! : 0
  const c0 = watches > 0 ? watchC[0]! : 0
  let first0 = 0
  let before0 = watches > 0 ? sign0 * (rows[o + at0]! - c0) : 0
  for (let k = 0; k < count; k++) {
    const y0 =
      p0 * x0 +
      p1 * x1 +
      p2 * x2 +
      p3 * x3 +
      p4 * x4 +
      p5 * x5 +
      p6 * x6 +
      p7 * x7 +
      p8 * x8 +
      p9 * x9 +
      p10 * x10 +
      p11 * x11 +
      f0
    const y1 =
      p12 * x0 +
      p13 * x1 +
      p14 * x2 +
      p15 * x3 +
      p16 * x4 +
      p17 * x5 +
      p18 * x6 +
      p19 * x7 +
      p20 * x8 +
      p21 * x9 +
      p22 * x10 +
      p23 * x11 +
      f1
    const y2 =
      p24 * x0 +
      p25 * x1 +
      p26 * x2 +
      p27 * x3 +
      p28 * x4 +
      p29 * x5 +
      p30 * x6 +
      p31 * x7 +
      p32 * x8 +
      p33 * x9 +
      p34 * x10 +
      p35 * x11 +
      f2
    const y3 =
      p36 * x0 +
      p37 * x1 +
      p38 * x2 +
      p39 * x3 +
      p40 * x4 +
      p41 * x5 +
      p42 * x6 +
      p43 * x7 +
      p44 * x8 +
      p45 * x9 +
      p46 * x10 +
      p47 * x11 +
      f3
    const y4 =
      p48 * x0 +
      p49 * x1 +
      p50 * x2 +
      p51 * x3 +
      p52 * x4 +
      p53 * x5 +
      p54 * x6 +
      p55 * x7 +
      p56 * x8 +
      p57 * x9 +
      p58 * x10 +
      p59 * x11 +
      f4
    const y5 =
      p60 * x0 +
      p61 * x1 +
      p62 * x2 +
      p63 * x3 +
      p64 * x4 +
      p65 * x5 +
      p66 * x6 +
      p67 * x7 +
      p68 * x8 +
      p69 * x9 +
      p70 * x10 +
      p71 * x11 +
      f5
    const y6 =
      p72 * x0 +
      p73 * x1 +
      p74 * x2 +
      p75 * x3 +
      p76 * x4 +
      p77 * x5 +
      p78 * x6 +
      p79 * x7 +
      p80 * x8 +
      p81 * x9 +
      p82 * x10 +
      p83 * x11 +
      f6
    const y7 =
      p84 * x0 +
      p85 * x1 +
      p86 * x2 +
      p87 * x3 +
      p88 * x4 +
      p89 * x5 +
      p90 * x6 +
      p91 * x7 +
      p92 * x8 +
      p93 * x9 +
      p94 * x10 +
      p95 * x11 +
      f7
    const y8 =
      p96 * x0 +
      p97 * x1 +
      p98 * x2 +
      p99 * x3 +
      p100 * x4 +
      p101 * x5 +
      p102 * x6 +
      p103 * x7 +
      p104 * x8 +
      p105 * x9 +
      p106 * x10 +
      p107 * x11 +
      f8
    const y9 =
      p108 * x0 +
      p109 * x1 +
      p110 * x2 +
      p111 * x3 +
      p112 * x4 +
      p113 * x5 +
      p114 * x6 +
      p115 * x7 +
      p116 * x8 +
      p117 * x9 +
      p118 * x10 +
      p119 * x11 +
      f9
    const y10 =
      p120 * x0 +
      p121 * x1 +
      p122 * x2 +
      p123 * x3 +
      p124 * x4 +
      p125 * x5 +
      p126 * x6 +
      p127 * x7 +
      p128 * x8 +
      p129 * x9 +
      p130 * x10 +
      p131 * x11 +
      f10
    const y11 =
      p132 * x0 +
      p133 * x1 +
      p134 * x2 +
      p135 * x3 +
      p136 * x4 +
      p137 * x5 +
      p138 * x6 +
      p139 * x7 +
      p140 * x8 +
      p141 * x9 +
      p142 * x10 +
      p143 * x11 +
      f11
    o += 12
    rows[o + 0] = x0 = y0
    rows[o + 1] = x1 = y1
    rows[o + 2] = x2 = y2
    rows[o + 3] = x3 = y3
    rows[o + 4] = x4 = y4
    rows[o + 5] = x5 = y5
    rows[o + 6] = x6 = y6
    rows[o + 7] = x7 = y7
    rows[o + 8] = x8 = y8
    rows[o + 9] = x9 = y9
    rows[o + 10] = x10 = y10
    rows[o + 11] = x11 = y11
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
        const before = sign * (rows[at - 12]! - c)
        if (before > d) {
          const first = sign * (rows[at - 24]! - c)
          if (before >= first && mayGraze(first, before, d)) return -k
        }
      }
    }
    f0 += g0
    f1 += g1
    f2 += g2
    f3 += g3
    f4 += g4
    f5 += g5
    f6 += g6
    f7 += g7
    f8 += g8
    f9 += g9
    f10 += g10
    f11 += g11
  }
  return count
}

/** By size of the state. */
export const unrolled: Readonly<Record<number, Strides>> = {
  2: strides2,
  3: strides3,
  4: strides4,
  5: strides5,
  6: strides6,
  7: strides7,
  8: strides8,
  9: strides9,
  10: strides10,
  11: strides11,
  12: strides12,
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
