/**
 * Writes shelf/data/climates.json: a year of outdoor temperatures, hour by hour, for three climates that are made up but plausible: a season, a day
 * whose range follows the season and the cloud, fronts of some days, and weather that remembers yesterday. Chance is seeded, so that the file is the
 * same whenever it is made. For comparing settings with one another, never for a bill.
 */
import { writeFileSync } from 'node:fs'

const HOURS = 8760

/** Small generator of chance with a seed (a 32-bit counter that is stirred). */
function chance(seed: number) {
  let state = seed
  return () => {
    state = (state + 0x6d2b79f5) | 0
    let t = Math.imul(state ^ (state >>> 15), 1 | state)
    t = (t + Math.imul(t ^ (t >>> 7), 61 | t)) ^ t
    return ((t ^ (t >>> 14)) >>> 0) / 4294967296
  }
}
const normal = (next: () => number) => Math.sqrt(-2 * Math.log(1 - next())) * Math.cos(2 * Math.PI * next())

interface Climate {
  readonly id: string
  readonly title: string
  readonly about: string
  readonly meanC: number
  /** Half of summer over winter, and half of day over night in winter and summer. */
  readonly seasonK: number
  readonly dayK: readonly [number, number]
  /** Day of the coldest weather; how far fronts and days stray. */
  readonly coldestDay: number
  readonly frontK: number
  readonly frontDays: number
  readonly seed: number
}

const climates: readonly Climate[] = [
  {
    ...{ id: 'coast', title: 'Coast', about: 'mild winters, cool summers, wind', seed: 11 },
    ...{ meanC: 9.5, seasonK: 6.5, dayK: [1.5, 3.5], coldestDay: 35, frontK: 2.8, frontDays: 3.5 },
  },
  {
    ...{ id: 'inland', title: 'Inland', about: 'cold winters, warm summers', seed: 23 },
    ...{ meanC: 6.5, seasonK: 11.5, dayK: [2.5, 5.5], coldestDay: 18, frontK: 4, frontDays: 5 },
  },
  {
    ...{ id: 'upland', title: 'Upland', about: 'long winters, short cool summers', seed: 37 },
    ...{ meanC: 2.5, seasonK: 10.5, dayK: [3, 5], coldestDay: 25, frontK: 4.5, frontDays: 6 },
  },
]

function year({ meanC, seasonK, dayK, coldestDay, frontK, frontDays, seed }: Climate): number[] {
  const next = chance(seed)
  const keep = Math.exp(-1 / (24 * frontDays))
  let front = 0
  let cloud = 0
  return Array.from({ length: HOURS }, (_, hour) => {
    const day = hour / 24
    const season = -Math.cos((2 * Math.PI * (day - coldestDay)) / 365)
    front = keep * front + Math.sqrt(1 - keep ** 2) * normal(next)
    cloud = 0.97 * cloud + 0.243 * normal(next)
    const clear = 1 + 0.4 * Math.tanh(cloud)
    const range = (dayK[0] + (dayK[1] - dayK[0]) * (season + 1) * 0.5) * clear
    // Winter fronts are the deeper ones.
    const depth = frontK * (1 - 0.3 * season)
    const c = meanC + seasonK * season + range * Math.cos((2 * Math.PI * (hour - 15)) / 24) + depth * front
    return Math.round(c * 10) / 10
  })
}

const rows = climates.map((climate) => {
  const { id, title, about } = climate
  return `  ${JSON.stringify({ id, title, about }).slice(0, -1)}, "hourlyC": [${year(climate).join(', ')}] }`
})
writeFileSync(new URL('../shelf/data/climates.json', import.meta.url), `[\n${rows.join(',\n')}\n]\n`)
