import { type Point, straightBetween } from '../numeric/interpolate'
import { type ResetLine, resetLine } from './resetLine'

export interface ResetSavingInput extends ResetLine {
  readonly hourlyOutdoorC: readonly number[]
  readonly roomC: number
  readonly lossWPerK: number
  readonly fixedSupplyC: number
  readonly pipeLossWPerK: number
  readonly pipeAmbientC: number
  /** Efficiency of the boiler over its return temperature: [°C, %]. */
  readonly efficiency: readonly Point[]
  readonly dropK: number
  readonly dewPointC?: number | undefined
}

export interface ResetSaving {
  readonly fixedKwh: number
  readonly resetKwh: number
  /** Null when the fixed supply used nothing. */
  readonly savingPercent: number | null
  readonly hoursCondensing: number
  readonly hoursCondensingFixed: number
  readonly hoursHeating: number
  /** Hours with a load in which the line is shut down for warm weather: the room then goes without. */
  readonly hoursShutDown: number
}

/** Where flue gas of natural gas begins to condense, °C. */
export const usualDewPointC = 55

/**
 * What a reset line saves over a season against a fixed supply: less pipe loss and a cooler return.
 * Formula: every hour with room > outdoor: input = (H (room − outdoor) + pipe loss × (mean water − pipe ambient)) / efficiency(return),
 * return = supply − drop, mean = supply − drop/2; the pipe loses nothing where it is colder than what surrounds it. Hours in which the line
 * is shut down take nothing. Efficiency runs straight between its points and is held at the ends.
 * @throws RangeError from the line, or unless efficiency points rise in temperature and are over 0 %
 */
export function resetSaving(input: ResetSavingInput): ResetSaving {
  const { hourlyOutdoorC, roomC, lossWPerK, fixedSupplyC, pipeLossWPerK, pipeAmbientC, efficiency, dropK } = input
  const dewPointC = input.dewPointC ?? usualDewPointC
  for (const [returnC, percent] of efficiency)
    if (!(percent > 0)) throw new RangeError(`efficiency of ${percent} % at ${returnC} °C must be over 0`)
  const supplyAt = resetLine(input)
  const efficiencyAt = straightBetween([...efficiency].sort((a, b) => a[0] - b[0]))
  const inputW = (outdoorC: number, supplyC: number) => {
    const pipeW = pipeLossWPerK * Math.max(0, supplyC - dropK / 2 - pipeAmbientC)
    return (lossWPerK * (roomC - outdoorC) + pipeW) / (efficiencyAt(supplyC - dropK) / 100)
  }
  let [fixedWh, resetWh, hoursCondensing, hoursCondensingFixed, hoursHeating, hoursShutDown] = [0, 0, 0, 0, 0, 0]
  for (const outdoorC of hourlyOutdoorC) {
    if (!(roomC > outdoorC)) continue
    hoursHeating++
    fixedWh += inputW(outdoorC, fixedSupplyC)
    if (fixedSupplyC - dropK < dewPointC) hoursCondensingFixed++
    const supplyC = supplyAt(outdoorC)
    if (supplyC === null) {
      hoursShutDown++
      continue
    }
    resetWh += inputW(outdoorC, supplyC)
    if (supplyC - dropK < dewPointC) hoursCondensing++
  }
  return {
    fixedKwh: fixedWh / 1000,
    resetKwh: resetWh / 1000,
    savingPercent: fixedWh > 0 ? 100 * (1 - resetWh / fixedWh) : null,
    hoursCondensing,
    hoursCondensingFixed,
    hoursHeating,
    hoursShutDown,
  }
}
