import { answersOf } from '../../kinds/answersOf'
import type { PlanOf } from '../../settings/behaviour'
import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import type { LoopDocument } from '../../document/documents'
import { type FieldData, fieldValue } from '../../plant/fieldValue'
import { movedBy } from '../../kinds/movedBy'
import { airCarries } from '../../kinds/fan/fanModel'
import { factsOfKind } from '../../kinds/kinds'
import type { ThermalLink, ThermalNode } from '../../plant/thermalNetwork'
import type { LoopSurvey } from '../../survey/surveyResult'
import { type Reach, reachOf } from '../../wiring/reach'
import type { Actuator } from '../scenario'
import type { LoopPlant } from './loopPlant'

/** One planned output and what it moves in the plant. */
export interface Driven {
  readonly plan: PlanOf
  readonly ends: readonly Reach[]
  /** Actuator of the first end: what stands for the output. */
  readonly actuator: string
}

interface LoopActuators {
  readonly driven: readonly Driven[]
  readonly actuators: readonly Actuator[]
  readonly links: readonly ThermalLink[]
  readonly nodes: readonly ThermalNode[]
  /** Place at which a limiter's probe sits, by actuator. */
  readonly limiterAt: Readonly<Record<string, string>>
}

/** Actuator of one end of an output. A contact that only lets a drive run has one of its own, which moves nothing by itself. */
export const actuatorOf = ({ device, starts }: Pick<Reach, 'device' | 'starts'>): string =>
  starts ? `run ${device.id}` : device.id

const PIPE_J_PER_K = 8000
const PIPE_W_PER_K = 400
/** Of a supply pipe to the room around it. */
const PIPE_LOSS_W_PER_K = 2
/** Capacity of one kelvin more of evaporating temperature, in per cent: row of the field data. */
const EVAPORATING = 'comp.evap'

/** Fan of an evaporator, if the chain has one. */
export const evaporatorFan = (chain: ResolvedChain): ResolvedDevice | undefined =>
  chain.devices.find(({ facts }) =>
    Object.values(facts.ports).some((port) => port.kind === 'load' && port.does === 'air-flow'),
  )

/** Heater that melts a coil, if the chain has one. */
export const defrostHeater = (chain: ResolvedChain) =>
  chain.devices.flatMap((device) =>
    Object.values(device.facts.ports).flatMap((port) =>
      port.kind === 'load' && port.does === 'defrost' ? [{ device, powerW: port.load.powerW }] : [],
    ),
  )[0]

/**
 * What every planned output moves: heat or cold by nameplate (evenly shared where there is none), heating water through the pump or valve
 * that lets it in, air through its fan.
 */
export function loopActuators(
  loop: LoopDocument,
  chain: ResolvedChain,
  survey: LoopSurvey,
  plans: readonly PlanOf[],
  { model }: LoopPlant,
  data: FieldData,
): LoopActuators {
  const { seen, floor, boiler } = survey
  const facts = factsOfKind(loop.kind)
  const driven = plans.flatMap((plan): Driven[] => {
    const ends = reachOf(chain, plan.output).filter(({ does }) => does !== 'light' && does !== 'defrost')
    const [first] = ends
    return first ? [{ plan, ends, actuator: actuatorOf(first) }] : []
  })
  const all = [
    ...new Map(driven.flatMap((d) => d.ends.map((end) => [actuatorOf(end), { end, plan: d.plan }]))).values(),
  ]
  const ends = all.filter(({ end }) => !end.starts)
  const heats = ends.filter(({ end }) => ['element', 'fuel', 'cooling'].includes(end.does))
  const plates = heats.reduce((sum, { end }) => sum + end.givesW, 0)
  const allW = boiler ? (seen.fullPowerW ?? seen.powerW) : seen.powerW
  const wet = ends.filter(({ end }) => end.does === 'water-flow')
  const powerOf = ({ does, givesW }: Reach) =>
    plates > 0 && heats.length > 0 && does !== 'water-flow'
      ? // Nameplates say how the stages share it; the survey says how much it is.
        (allW * (givesW || plates / heats.length)) / plates
      : allW / Math.max(1, heats.length + wet.length)
  const links: ThermalLink[] = []
  const nodes: ThermalNode[] = []
  const limiterAt: Record<string, string> = {}
  const percentPerK = fieldValue(data, EVAPORATING).typical / 100
  const actuators = ends.map(({ end, plan }): Actuator => {
    const id = end.device.id
    const travelS = plan.kind === 'band' ? plan.travelS : undefined
    const travels = travelS ? { travelS } : {}
    if (floor && end.does === 'water-flow') {
      // A pipe's worth of water that the limiter's probe sits on: it follows the supply while the pump runs.
      const pipe = `pipe ${end.device.tag}`
      nodes.push({ id: pipe, capacityJPerK: PIPE_J_PER_K })
      const way = plan.kind === 'band' ? { by: id } : { while: id }
      links.push(
        { from: 'water', to: 'slab', wPerK: floor.plant.waterToSlabWPerK / wet.length, ...way },
        { from: 'supply', to: pipe, wPerK: PIPE_W_PER_K, ...way },
        { from: pipe, to: 'room', wPerK: PIPE_LOSS_W_PER_K },
      )
      limiterAt[id] = pipe
      return { id, ...travels }
    }
    if (floor) {
      limiterAt[id] = 'slab'
      return { id, node: 'slab', powerW: end.givesW || floor.facts.elementW || seen.powerW }
    }
    if (end.does === 'air-flow' && !facts.coil) {
      // Plates say how the fans share it; the survey says how much it is.
      const fans = ends.filter((each) => each.end.does === 'air-flow').map((each) => each.end.device)
      const plates = movedBy(fans)
      const allM3h = survey.figures['airFlow']?.value ?? plates
      const flow = plates > 0 ? (allM3h * movedBy([end.device])) / plates : allM3h / fans.length
      const wPerK = flow > 0 ? airCarries(flow).wPerK : seen.powerW / Math.max(1, seen.targetC - loopOutdoor(loop))
      const way = plan.kind === 'on-off' ? { while: id } : { by: id }
      links.push({ from: 'air', to: 'outdoor', wPerK, ...way })
      if (facts.ventilates) links.push({ from: 'moisture', to: 'wet', wPerK: airCarries(flow).kgPerS, ...way })
      return { id }
    }
    limiterAt[id] = model.controlled
    const powerW = powerOf(end)
    const { load } = end.device.facts
    if (end.does === 'cooling')
      return {
        id,
        node: model.heated,
        powerW,
        takesOut: true,
        ...(facts.evaporatesAtC
          ? { perK: { of: model.heated, share: percentPerK, atC: facts.evaporatesAtC(seen.targetC, data) } }
          : {}),
        ...travels,
      }
    if (facts.battery)
      return {
        id,
        node: model.heated,
        powerW,
        travelS: fieldValue(data, 'sim.heater.ramp').typical,
        draws: {
          node: 'battery',
          runA: survey.figures['runA']?.value ?? load?.runA ?? fieldValue(data, 'heater.run.a').typical,
          startAs:
            (survey.figures['glowA']?.value ?? load?.glowA ?? fieldValue(data, 'heater.glow.a').typical) *
            (survey.figures['glowS']?.value ?? load?.glowS ?? fieldValue(data, 'heater.glow.s').typical),
        },
      }
    return { id, node: model.heated, powerW, ...travels }
  })
  const runs = all.flatMap(({ end }) => (end.starts ? [{ id: actuatorOf(end) }] : []))
  return { driven, actuators: [...actuators, ...runs], links, nodes, limiterAt }
}

const loopOutdoor = (loop: LoopDocument) => Number(answersOf(loop)['designOutdoor'])
