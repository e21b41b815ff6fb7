import { Refused } from '../units/refused'
const HOURS = 8760
const DAY = 24
/** Mid-January is the coldest, three in the afternoon the warmest. */
const COLDEST_DAY = 15
const WARMEST_HOUR = 15
/** Fronts: slow waves that share no period, so that no week is like another. Days, share of the sum. */
const fronts = [
  [3.7, 0.35],
  [9.3, 0.35],
  [23.1, 0.3],
] as const

const wave = (hour: number, periodDays: number, phase: number) =>
  Math.cos(2 * Math.PI * (hour / DAY / periodDays + phase))

/**
 * A made-up year of outdoor temperatures, hour by hour from New Year: a season, a day and fronts, laid so that its coldest hour is the
 * design day. For comparing settings with one another, never for a bill.
 * Formula: mean = design + 22 K, half a year apart 10 K up and down, 4 K by day, fronts take what is left.
 * @example weatherYear(-10).length // 8760
 */
export function weatherYear(designOutdoorC: number): readonly number[] {
  const meanC = designOutdoorC + 22
  const raw = Array.from({ length: HOURS }, (_, hour) => {
    const season = -10 * wave(hour - COLDEST_DAY * DAY, 365, 0)
    const day = 4 * Math.cos((2 * Math.PI * (hour - WARMEST_HOUR)) / DAY)
    const front = fronts.reduce((sum, [days, share], i) => sum + share * wave(hour, days, i / 3), 0)
    return { steady: season + day, front }
  })
  // As strong as makes the coldest hour the design temperature.
  let [low, high] = [0, 40]
  for (let n = 0; n < 40; n++) {
    const middle = (low + high) / 2
    const coldest = raw.reduce((least, { steady, front }) => Math.min(least, steady + middle * front), Infinity)
    if (meanC + coldest > designOutdoorC) low = middle
    else high = middle
  }
  return raw.map(({ steady, front }) => meanC + steady + low * front)
}

/**
 * Hours of a year in each band of outdoor temperature, from the coldest band that has any.
 * Formula: hours counted by the band that the temperature lies in.
 * @example hoursByTemperature([0.5, 1.5, 1.2], 1).length // 2
 */
export function hoursByTemperature(
  hourlyC: readonly number[],
  bandK: number,
): readonly { readonly fromC: number; readonly toC: number; readonly hours: number }[] {
  if (!(bandK > 0)) throw new Refused('bandK', { must: 'over', value: bandK, than: 0 })
  const counts = new Map<number, number>()
  for (const c of hourlyC) {
    const band = Math.floor(c / bandK)
    counts.set(band, (counts.get(band) ?? 0) + 1)
  }
  return [...counts]
    .sort(([a], [b]) => a - b)
    .map(([band, hours]) => ({ fromC: band * bandK, toC: (band + 1) * bandK, hours }))
}
