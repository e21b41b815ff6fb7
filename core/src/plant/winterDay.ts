/**
 * A plausible clear winter day, hour by hour from midnight: coldest at seven, warmest at three in the afternoon.
 * Formula: T = coldest + range (1 − cos(2π (h − 7)/24)) / 2, stretched so that the warm half is the shorter one.
 * Made up, not measured: shown as such.
 * @example winterDay(-15)[7] // -15.0
 */
export function winterDay(coldestC: number, rangeK = 6): number[] {
  return Array.from({ length: 24 }, (_, hour) => {
    const since = (hour - 7 + 24) % 24
    const phase = since <= 8 ? (since / 8) * Math.PI : Math.PI + ((since - 8) / 16) * Math.PI
    return coldestC + (rangeK * (1 - Math.cos(phase))) / 2
  })
}
