import { Refused } from '../../../units/refused'
interface BatteryCutOffInput {
  readonly cutOffV: number
  readonly holdS: number
  readonly restartV: number
  /** Loop resistance of the cable from the battery to the controller, both cores. */
  readonly loopOhm: number
  readonly glowA: number
  readonly glowS: number
  readonly runA: number
}

export interface BatteryCutOff {
  /** What the cable loses while the heater glows, and while it runs. */
  readonly glowDropV: number
  readonly runDropV: number
  /** Battery voltage under which a start ends in a cut-off, and under which a run does. */
  readonly startsAboveV: number
  readonly runsAboveV: number
  /** Whether a start alone, with its glow longer than the hold, can cut it off. */
  readonly glowCuts: boolean
  /** From cut-off to restart, at the controller, less what comes back by itself when the current stops. */
  readonly marginV: number
}

/**
 * Where a battery cut-off really acts, seen from the battery: the controller sees less by what the cable loses.
 * Formula: drop = I R; a start needs cut-off + drop of the glow where the glow outlasts the hold, else that of the run.
 * When the current stops the controller sees the run's drop more at once: restart less cut-off has to be wider than that, or it hunts.
 * @throws RangeError unless voltages are over 0 and the rest 0 or more
 */
export function batteryCutOff(input: BatteryCutOffInput): BatteryCutOff {
  const { cutOffV, restartV, holdS, loopOhm, glowA, glowS, runA } = input
  for (const [name, value] of Object.entries({ cutOffV, restartV }))
    if (!(value > 0)) throw new Refused(name, { must: 'over', value: value, than: 0 })
  for (const [name, value] of Object.entries({ holdS, loopOhm, glowA, glowS, runA }))
    if (!(value >= 0)) throw new Refused(name, { must: 'or more', value: value, than: 0 })
  const glowDropV = glowA * loopOhm
  const runDropV = runA * loopOhm
  const glowCuts = glowS > holdS && glowDropV > runDropV
  return {
    glowDropV,
    runDropV,
    runsAboveV: cutOffV + runDropV,
    startsAboveV: cutOffV + (glowCuts ? glowDropV : runDropV),
    glowCuts,
    marginV: restartV - cutOffV - runDropV,
  }
}
