import { mixedWater } from './parts/mixedWater'
import { bandEnds } from '../../settings/band/law/proportional'
import type { PlanOf } from '../../settings/behaviour'
import { plansOf } from '../../settings/behaviour'
import type { ResolvedDevice } from '../../document/chain'
import { fieldValue } from '../../plant/fieldValue'
import { outdoorMoisture } from '../../kinds/fan/fanModel'
import { factsOfKind } from '../../kinds/kinds'
import { restState } from '../../plant/restState'
import type { LoopSurvey } from '../../survey/surveyResult'
import type { Expression, Scenario } from '../scenario'
import { defrostHeater, evaporatorFan, loopActuators } from './loopActuators'
import { loopPlant } from './loopPlant'
import { type RunGiven, Parts, HOUR_S } from './parts/parts'
import { batteryOf } from './parts/addBattery'
import { demandId, fansByDemand } from '../fanDemands'
import { HUMIDITY } from './parts/addFan'
import { addControls } from './parts/addControls'
import { addDefrost } from './parts/addDefrost'
import { addBattery } from './parts/addBattery'
import { addContacts } from './parts/addContacts'
import { addTimers } from './parts/addTimers'

export interface RunChoice {
  /** Temperature around the plant hour by hour from the start; repeated where the run is longer. */
  readonly hourlyC: readonly number[]
  readonly days: number
  /** Default one minute. */
  readonly traceS?: number
  /** Default a Monday at midnight. */
  readonly start?: string
}

/** A loop as a scenario, and what its ids stand for. */
export interface LoopRun {
  readonly scenario: Scenario
  /** Node that the control holds. */
  readonly controlled: string
  /** The planned outputs, with the actuator and the probe of each in the scenario. */
  readonly outputs: readonly {
    readonly plan: PlanOf
    readonly actuator: string
    readonly probe: string
    readonly control: string
  }[]
  /** What each demand of a fan is called, where it follows several. */
  readonly demands: Readonly<Record<string, string>>
  /** What the conditions that hold a load off are called, where that is not their own name. */
  readonly conditions: Readonly<Record<string, string>>
  /** Each contact of a wiring's logic as it stands in the scenario, by load and contact. */
  readonly terms: Readonly<Record<string, Readonly<Record<string, Expression>>>>
  /** What is told of each node, in the order in which it counts. */
  readonly nodes: Readonly<Record<string, string>>
}

const nodeNames: Readonly<Record<string, string>> = {
  slab: 'floor',
  room: 'room',
  air: 'air',
  water: 'water',
  building: 'rooms',
  walls: 'walls',
  goods: 'goods',
  coil: 'coil',
  brine: 'brine',
  element: 'elements',
  shell: 'shell',
}

/**
 * The loop as a scenario: plant by the survey's figures, each planned output with its probe and what it moves, limiters and other contacts in
 * its line, what its controller does besides. Starts at rest with the controlled place in the middle of its first output's band; a heated
 * cabinet starts cold.
 */
export function loopScenario(given: RunGiven, survey: LoopSurvey, run: RunChoice): LoopRun {
  const { loop, chain, data } = given
  const facts = factsOfKind(loop.kind)
  const fan = facts.coil ? evaporatorFan(chain) : undefined
  const plant = loopPlant(loop, survey, data, fan?.id)
  const { model } = plant
  const plans = plansOf(loop.settings.planned)
  const moved = loopActuators(loop, chain, survey, plans, plant, data)
  const parts = new Parts(given, survey, moved.driven, model.controlled)
  const outdoorC = run.hourlyC[0] ?? survey.seen.restC
  const [first] = moved.driven
  const middleC = first ? middleOf(first.plan) : survey.seen.targetC
  const boundariesC = { outdoor: outdoorC, ...plant.boundaries }
  // What is loaded cold starts so; everything else has been running.
  const rest = restState(model, parts.startsAt(outdoorC) ?? (facts.startsCold ? outdoorC : middleC), boundariesC)
  const heater = defrostHeater(chain)
  const battery = facts.battery ? batteryOf(given, moved.driven) : undefined

  for (const [i, { plan }] of moved.driven.entries()) parts.addProbe(i, plan)
  addControls(parts)
  if (fan && heater) addDefrost(parts, fan, heater.device)
  else if (fan) addDefrost(parts, fan, undefined)
  if (battery) addBattery(parts)
  addTimers(parts)
  const terms = addContacts(parts, moved.limiterAt)
  const mixed = survey.floor ? mixedWater(parts, survey.floor.facts.dropK) : undefined
  const indoor = moved.actuators.some(({ id }) => id === fan?.id)
  return {
    controlled: model.controlled,
    outputs: parts.outputs,
    demands: Object.fromEntries(
      fansByDemand(parts).flatMap(({ id, demands }) =>
        demands.map(({ probe }, i) => [demandId(id, i + 1), probe === HUMIDITY ? 'humidity' : 'warmth']),
      ),
    ),
    conditions: parts.names,
    terms,
    nodes: Object.fromEntries(
      [model.controlled, ...model.nodes.map(({ id }) => id)].flatMap((id) =>
        nodeNames[id] ? [[id, nodeNames[id]]] : [],
      ),
    ),
    scenario: {
      ...(run.start === undefined ? {} : { start: run.start }),
      durationS: run.days * 24 * HOUR_S,
      traceS: run.traceS ?? 60,
      network: {
        nodes: [
          ...model.nodes.map(({ id, capacityJPerK }) => ({ id, capacityJPerK, startC: rest.nodesC[id] ?? middleC })),
          ...moved.nodes.map((node) => ({ ...node, startC: rest.nodesC['room'] ?? middleC })),
          ...(battery ? [{ id: 'battery', capacityJPerK: battery.coulombPerV, startC: battery.fullV }] : []),
        ],
        links: [...model.links, ...moved.links],
        ...(model.gains ? { gains: model.gains } : {}),
        ...(model.flows ? { flows: model.flows } : {}),
        boundaries: {
          outdoor: { hourlyC: run.hourlyC },
          ...Object.fromEntries(Object.entries(plant.boundaries).map(([id, constantC]) => [id, { constantC }])),
          ...(mixed ? { supply: { supply: mixed.supply }, water: { supply: mixed.water } } : {}),
          ...(facts.ventilates
            ? { wet: { hourlyC: outdoorMoisture(run.hourlyC, fieldValue(data, 'sim.outdoor.humidity').typical) } }
            : {}),
        },
      },
      probes: parts.probes,
      actuators: [
        ...moved.actuators,
        ...(fan && !indoor ? [{ id: fan.id, node: 'air', powerW: fanHeatW(fan) }] : []),
        // Where there is no coil a defrost heater melts nothing.
        ...(heater && model.nodes.some(({ id }) => id === 'coil')
          ? [{ id: heater.device.id, node: 'coil', powerW: heater.powerW }]
          : []),
      ],
      controls: parts.controls,
      inputs: parts.inputs,
      permissives: parts.permissives,
      ...(parts.lines.length > 0 ? { lines: parts.lines } : {}),
      alarms: parts.alarms,
    },
  }
}

const fanHeatW = ({ facts }: ResolvedDevice) =>
  Object.values(facts.ports).reduce((sum, port) => sum + (port.kind === 'load' ? port.load.powerW : 0), 0)

const middleOf = (plan: PlanOf): number => {
  if (plan.kind === 'on-off') return (plan.onC + plan.offC) / 2
  if (plan.kind === 'fan') return plan.setpointC
  const { zeroC, fullC } = bandEnds(plan)
  return (zeroC + fullC) / 2
}
