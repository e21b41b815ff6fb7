import { Refused } from '../units/refused'

/**
 * What a burner takes, from its meter and a watch.
 * Formula: P = V H/t; out of it, times the efficiency.
 * @param volumeM3 through the meter in that time
 * @param calorificMjPerM3 heat in a cubic metre, MJ, as the supplier states it
 * @throws RangeError unless the time is over 0
 * Source: definition.
 * @example gasRate(0.05, 120, 38).inputW // 15_833
 */
export function gasRate(volumeM3: number, seconds: number, calorificMjPerM3: number, efficiencyPercent?: number) {
  if (!(seconds > 0)) throw new Refused('seconds', { must: 'over', value: seconds, than: 0 })
  const inputW = (volumeM3 * calorificMjPerM3 * 1e6) / seconds
  return { inputW, ...(efficiencyPercent === undefined ? {} : { outputW: (inputW * efficiencyPercent) / 100 }) }
}
