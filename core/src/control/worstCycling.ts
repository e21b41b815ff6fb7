/**
 * Cycles an hour at the worst load, which is half load: 3600 P / (4 C ΔT).
 * When the load never reaches half of the power, the duty caps it: 3600 P d(1 − d) / (C ΔT), d at most 0.5.
 * @throws RangeError unless power, capacity and swing are over 0 and the duty lies between 0 and 100 %
 */
export function worstCycling(powerW: number, capacityJPerK: number, swingK: number, maximumDutyPercent = 50): number {
  for (const [name, value] of Object.entries({ powerW, capacityJPerK, swingK }))
    if (!(value > 0)) throw new RangeError(`${name} ${value} must be over 0`)
  if (!(maximumDutyPercent >= 0 && maximumDutyPercent <= 100))
    throw new RangeError(`maximumDutyPercent ${maximumDutyPercent} must lie between 0 and 100`)
  const duty = Math.min(0.5, maximumDutyPercent / 100)
  return (3600 * powerW * duty * (1 - duty)) / (capacityJPerK * swingK)
}

/** The narrowest swing that keeps under a rate of cycles: the same formula turned round. */
export function swingForRate(powerW: number, capacityJPerK: number, cyclesPerHour: number): number {
  for (const [name, value] of Object.entries({ powerW, capacityJPerK, cyclesPerHour }))
    if (!(value > 0)) throw new RangeError(`${name} ${value} must be over 0`)
  return (3600 * powerW) / (4 * capacityJPerK * cyclesPerHour)
}

/** Years until a relay has made its rated operations. One cycle is one operation. @throws RangeError unless all are over 0 */
export function relayLifeYears(cyclesPerHour: number, hoursPerYear: number, ratedOperations: number): number {
  for (const [name, value] of Object.entries({ cyclesPerHour, hoursPerYear, ratedOperations }))
    if (!(value > 0)) throw new RangeError(`${name} ${value} must be over 0`)
  return ratedOperations / (cyclesPerHour * hoursPerYear)
}
