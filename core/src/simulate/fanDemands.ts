import type { FanControl, Scenario } from './scenario'

/** Id of a demand of a fan, counted from one. */
export const demandId = (control: string, demand: number): string => `${control} ${demand}`

/** The fans of a scenario that follow more than one demand. */
export const fansByDemand = ({ controls }: Pick<Scenario, 'controls'>): readonly FanControl[] =>
  controls.filter((control): control is FanControl => control.kind === 'fan' && control.demands.length > 1)

/**
 * What each demand of a fan asks for, along a run: 0 to 1 of full between its two points, as its probe reads.
 * Formula: (reading − zero) / (full − zero), held within 0 and 1; nothing where the probe shows nothing.
 * @returns by the id of the demand
 */
export function fanDemands(
  controls: readonly FanControl[],
  probes: Readonly<Record<string, Float64Array>>,
): Readonly<Record<string, Float32Array>> {
  return Object.fromEntries(
    controls.flatMap(({ id, demands }) =>
      demands.map(({ probe, zeroAt, fullAt }, i) => [
        demandId(id, i + 1),
        Float32Array.from(probes[probe]!, (reading) => {
          const share = (reading - zeroAt) / (fullAt - zeroAt)
          return Number.isNaN(share) ? 0 : Math.min(1, Math.max(0, share))
        }),
      ]),
    ),
  )
}
