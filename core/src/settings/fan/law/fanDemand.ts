import { Refused } from '../../../units/refused'
export interface FanDemandInput {
  readonly temperatureC: number
  readonly temperatureSetC: number
  readonly temperatureBandK: number
  readonly humidityPercent?: number | undefined
  readonly humiditySetPercent?: number | undefined
  readonly humidityBandPercent?: number | undefined
  readonly minimumPercent?: number | 'off' | undefined
  readonly minimumMode?: 'floor' | 'scaled' | undefined
}

export interface FanDemand {
  readonly percent: number
  readonly command: 'temperature' | 'humidity' | 'minimum' | 'off'
  readonly temperatureDemandPercent: number
  readonly humidityDemandPercent: number | null
}

const demand = (value: number, set: number, band: number) => Math.min(100, Math.max(0, (100 * (value - set)) / band))

/**
 * Speed of a fan that follows the stronger of two demands; a tie goes to temperature.
 * Formula: each demand 100 (reading − set)/band, limited. `floor`: never under the minimum; `scaled`: the demand runs from the minimum
 * to 100 %. Minimum "off" lets the fan stop; with a minimum of 0 % it stops too.
 * @throws RangeError naming the humidity field that is missing when only some are given, or a band that is not over 0
 * @example fanDemand({ temperatureC: 26, temperatureSetC: 24, temperatureBandK: 4, minimumPercent: 20 }).percent // 50
 */
export function fanDemand(input: FanDemandInput): FanDemand {
  const { temperatureC, temperatureSetC, temperatureBandK, minimumPercent = 'off', minimumMode = 'floor' } = input
  const { humidityPercent, humiditySetPercent, humidityBandPercent } = input
  for (const [name, value] of Object.entries({ temperatureBandK, humidityBandPercent }))
    if (value !== undefined && !(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  const humidity = { humidityPercent, humiditySetPercent, humidityBandPercent }
  const given = Object.values(humidity).filter((value) => value !== undefined).length
  const missing = Object.entries(humidity).find(([, value]) => value === undefined)
  if (given > 0 && missing)
    throw new Refused(missing[0], {
      must: 'other',
      says: 'is missing: reading, set and band of the humidity belong together',
    })
  const temperatureDemandPercent = demand(temperatureC, temperatureSetC, temperatureBandK)
  const humidityDemandPercent = given === 3 ? demand(humidityPercent!, humiditySetPercent!, humidityBandPercent!) : null
  const strongest = Math.max(temperatureDemandPercent, humidityDemandPercent ?? 0)
  const least = minimumPercent === 'off' ? 0 : minimumPercent
  const percent = minimumMode === 'scaled' ? least + ((100 - least) * strongest) / 100 : Math.max(least, strongest)
  const by = temperatureDemandPercent >= (humidityDemandPercent ?? 0) ? 'temperature' : 'humidity'
  const stands = minimumMode === 'scaled' ? strongest === 0 : strongest < least || strongest === 0
  const command = percent === 0 ? 'off' : stands ? 'minimum' : by
  return { percent, command, temperatureDemandPercent, humidityDemandPercent }
}

/**
 * Frequency of a drive, Hz: straight from its minimum at 0 % to its maximum at 100 %.
 * Formula: f = least + share × (most − least).
 * @throws RangeError when they cross
 * @example driveHz(50, 10, 50) // 30
 */
export function driveHz(percent: number, minimumHz: number, maximumHz: number): number {
  if (!(minimumHz <= maximumHz))
    throw new Refused('minimumHz', { must: 'not over', value: minimumHz, than: maximumHz, thanField: 'maximumHz' })
  return minimumHz + ((maximumHz - minimumHz) * percent) / 100
}
