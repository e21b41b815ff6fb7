import { Refused } from '../../../units/refused'
import { type Point, straightBetween } from '../../../numeric/interpolate'
import { returnAt } from './returnTemperature'
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
  /** Supply less return: on the design day, where that is named; else at any load. */
  readonly dropK: number
  /** Outdoor temperature of the full load; with it the drop goes with the load. */
  readonly designDayC?: number | undefined
  readonly dewPointC?: number | undefined
}

interface ResetSaving {
  /** What the fixed supply takes in the hours in which the line gives heat. */
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
 * return = supply − drop, mean = supply − drop/2; with a design day the drop goes with the load, and the return is never cooler than the
 * room. The pipe loses nothing where it is colder than what surrounds it. Hours in which the line is shut down take nothing, and are not
 * counted as saved: they are a choice of comfort, not of the line. Efficiency runs straight between its points and is held at the ends.
 * @throws RangeError from the line, or unless efficiency points rise in temperature and are over 0 %
 * @example resetSaving({ hourlyOutdoorC: [-10, 5, 12, 25], roomC: 20, lossWPerK: 200, fixedSupplyC: 70, designOutdoorC: -10, designSupplyC: 70, warmOutdoorC: 20, warmSupplyC: 25, pipeLossWPerK: 10, pipeAmbientC: 15, efficiency: [[30, 96], [60, 88]], dropK: 10 }).savingPercent // 7.53
 */
export function resetSaving(input: ResetSavingInput): ResetSaving {
  const { hourlyOutdoorC, roomC, lossWPerK, fixedSupplyC, pipeLossWPerK, pipeAmbientC, efficiency, dropK } = input
  const dewPointC = input.dewPointC ?? usualDewPointC
  for (const [returnC, percent] of efficiency)
    if (!(percent > 0))
      throw new Refused('efficiency', { must: 'other', says: `of ${percent} % at ${returnC} °C must be over 0` })
  const supplyAt = resetLine(input)
  const efficiencyAt = straightBetween([...efficiency].sort((a, b) => a[0] - b[0]))
  const { designDayC } = input
  const returnOf = (outdoorC: number, supplyC: number) =>
    designDayC === undefined
      ? supplyC - dropK
      : returnAt(supplyC, outdoorC, { roomC, designOutdoorC: designDayC, dropK })
  const inputW = (outdoorC: number, supplyC: number) => {
    const returnC = returnOf(outdoorC, supplyC)
    const pipeW = pipeLossWPerK * Math.max(0, (supplyC + returnC) / 2 - pipeAmbientC)
    return (lossWPerK * (roomC - outdoorC) + pipeW) / (efficiencyAt(returnC) / 100)
  }
  let [fixedWh, resetWh, hoursCondensing, hoursCondensingFixed, hoursHeating, hoursShutDown] = [0, 0, 0, 0, 0, 0]
  for (const outdoorC of hourlyOutdoorC) {
    if (!(roomC > outdoorC)) continue
    hoursHeating++
    if (returnOf(outdoorC, fixedSupplyC) < dewPointC) hoursCondensingFixed++
    const supplyC = supplyAt(outdoorC)
    if (supplyC === null) {
      hoursShutDown++
      continue
    }
    resetWh += inputW(outdoorC, supplyC)
    fixedWh += inputW(outdoorC, fixedSupplyC)
    if (returnOf(outdoorC, supplyC) < dewPointC) hoursCondensing++
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
