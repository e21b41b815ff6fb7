import type { ResolvedChain } from '../../document/chain'
import { type FieldData, fieldValue } from '../../plant/fieldValue'
import { mismatch, probeRange } from '../../probes/mismatch'
import type { Probe } from '../../probes/probe'
import type { Fault, Scenario } from '../scenario'
import type { LoopRun } from './loopScenario'

type Timeless<T> = T extends unknown ? Omit<T, 'atS' | 'untilS'> : never

/** A fault that this loop can be tried with. */
export interface FaultOffer {
  readonly id: string
  readonly title: string
  readonly fault: Timeless<Fault>
}

/** One that is tried, from an hour of the run on. */
export interface ChosenFault {
  readonly id: string
  readonly atH: number
  readonly untilH?: number
}

/** A probe that ages reads off by this, K. */
const DRIFT_K = 2
/** Voltage of a bad supply, share of the nominal. */
const LOW_SHARE = 0.85
/** A housing in the sun reads this much more, K. */
const SUN_K = 8
const SUN_HOURS = [10, 15] as const
/** Beta of the other common ten-kilohm curve, over the one that is wanted. */
const OTHER_BETA = 0.87
const TABLE_STEP_K = 5

/** What a display shows with a probe of the other common curve on its input, as pairs of there and shown. */
function wrongKind(chain: ResolvedChain, device: string, port: string): readonly (readonly number[])[] | undefined {
  const input = chain.devices.find(({ id }) => id === device)?.facts.ports[port]
  if (input?.kind !== 'probe-in' || input.accepts.kind === 'thermocouple') return undefined
  const expected = input.accepts
  const fitted: Probe | undefined =
    expected.kind === 'ntc'
      ? { ...expected, betaK: expected.betaK * OTHER_BETA }
      : expected.kind === 'steinhart'
        ? { kind: 'ntc', r25Ohm: 10_000, betaK: 3435 }
        : undefined
  if (!fitted) return undefined
  const [from, to] = probeRange(fitted)
  const pairs: number[][] = []
  for (let c = Math.max(-40, Math.ceil(from)); c <= Math.min(130, to); c += TABLE_STEP_K) {
    const { shownC } = mismatch(fitted, expected, c, [-100, 200])
    if (shownC !== null) pairs.push([c, shownC])
  }
  return pairs.length >= 2 ? pairs : undefined
}

/** Everything that can be broken in a loop, named as a fitter would. */
export function loopFaults(
  { scenario, outputs, controlled }: LoopRun,
  chain: ResolvedChain,
  data: FieldData,
  areaOrVolume: number,
): readonly FaultOffer[] {
  const offers: FaultOffer[] = []
  const put = (id: string, title: string, fault: FaultOffer['fault']) => offers.push({ id, title, fault })
  const tag = (id: string) => {
    const device = chain.devices.find((each) => each.id === id)
    return device ? `${device.tag} ${device.name}` : id
  }
  const probes = [...new Map(outputs.map((output) => [output.probe, output])).values()]
  for (const { probe, plan } of probes) {
    const name = probes.length > 1 ? ` of ${tag(plan.output.device)}` : ''
    put(`open ${probe}`, `Probe${name} open`, { kind: 'open', probe })
    put(`short ${probe}`, `Probe${name} shorted`, { kind: 'short', probe })
    put(`up ${probe}`, `Probe${name} reads {${DRIFT_K} K} too warm`, { kind: 'drifted', probe, byK: DRIFT_K })
    put(`down ${probe}`, `Probe${name} reads {${DRIFT_K} K} too cold`, { kind: 'drifted', probe, byK: -DRIFT_K })
    const place = ['room', 'building', 'outdoor'].find(
      (each) => each !== controlled && (each === 'outdoor' || scenario.network.nodes.some(({ id }) => id === each)),
    )!
    put(`off ${probe}`, `Probe${name} fallen off, hangs ${place === 'outdoor' ? 'in the air around' : 'in the room'}`, {
      kind: 'fallen-off',
      probe,
      place,
    })
    const shows = wrongKind(chain, plan.input.device, plan.input.port)
    if (shows) put(`kind ${probe}`, `Probe${name} of another curve`, { kind: 'wrong-kind', probe, shows })
  }
  for (const { id } of scenario.probes)
    if (id.startsWith('outdoor '))
      put(`sun ${id}`, `Sun on the outdoor probe, {${SUN_K} K}`, {
        kind: 'sun',
        probe: id,
        byK: SUN_K,
        hours: SUN_HOURS,
      })
  for (const { id } of scenario.actuators) {
    put(`welded ${id}`, `Relay of ${tag(id)} welded`, { kind: 'welded', actuator: id })
    put(`dead ${id}`, `${tag(id)} does not start`, { kind: 'dead', actuator: id })
  }
  for (const control of scenario.controls)
    if (control.kind === 'staged')
      control.stages.forEach((stage, i) =>
        put(`stage ${control.id} ${i + 1}`, `Stage ${i + 1} missing`, {
          kind: 'stage-missing',
          control: control.id,
          stage: i + 1,
        }),
      )
  for (const name of Object.keys(scenario.inputs ?? {})) {
    const byHand = chain.devices.some(({ tag: own, facts }) => own === name && facts.permissive?.senses === 'hand')
    const [open, closed] = byHand ? ['opened by hand', 'closed by hand'] : ['stuck open', 'stuck closed']
    put(`open ${name}`, `${name} ${open}`, { kind: 'stuck-open', input: name })
    put(`closed ${name}`, `${name} ${closed}`, { kind: 'stuck-closed', input: name })
  }
  if (scenario.actuators.some(({ powerW }) => (powerW ?? 0) > 0))
    put('low', `Supply at ${LOW_SHARE * 100} % of its voltage`, { kind: 'supply-low', share: LOW_SHARE })
  if (scenario.network.nodes.some(({ id }) => id === 'air'))
    put('door', 'Door left open', {
      kind: 'door-open',
      node: 'air',
      to: 'outdoor',
      wPerK: fieldValue(data, 'sim.door').typical * areaOrVolume,
    })
  return offers
}

/** The scenario with the chosen faults in it; one that is not offered any more is left out. */
export function withFaults(
  scenario: Scenario,
  offers: readonly FaultOffer[],
  chosen: readonly ChosenFault[],
): Scenario {
  const faults = chosen.flatMap(({ id, atH, untilH }): Fault[] => {
    const offer = offers.find((each) => each.id === id)
    return offer
      ? [
          {
            ...offer.fault,
            atS: atH * 3600,
            ...(untilH === undefined || !(untilH > atH) ? {} : { untilS: untilH * 3600 }),
          } as Fault,
        ]
      : []
  })
  return faults.length > 0 ? { ...scenario, faults } : scenario
}
