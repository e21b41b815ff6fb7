import { bandEnds } from '../../settings/band/law/proportional'
import type { BandBehaviour, OnOffBehaviour, PlanOf } from '../../settings/behaviour'
import { plansOf } from '../../settings/behaviour'
import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import type { ControllerPlan } from '../../settings/controllerPlan'
import { ordered } from '../../schema/ordered'
import type { LoopDocument } from '../../document/documents'
import { type FieldData, fieldValue } from '../../plant/fieldValue'
import { outdoorMoisture } from '../../kinds/fan/fanModel'
import { factsOfKind } from '../../kinds/kinds'
import { restState } from '../../plant/restState'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import type { LoopSurvey } from '../../survey/surveyResult'
import { outputPath } from '../../wiring/outputPath'
import { sourceOf } from '../../wiring/sources'
import type { Alarm, Control, Expression, Input, Scenario, ScenarioProbe, SupplyBoundary } from '../scenario'
import { defrostHeater, type Driven, evaporatorFan, loopActuators } from './loopActuators'
import { loopPlant } from './loopPlant'

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
  /** What is told of each node, in the order in which it counts. */
  readonly nodes: Readonly<Record<string, string>>
}

const HOUR_S = 3600
/** Probe of a limiter on a pipe, well fitted. Source: field data lag.strap.good. */
const LIMITER_LAG_S = 40
/** A share of a cycle shorter than this is no different from a share of power. */
const SHORT_CYCLE_S = 15
/** An outdoor probe that is not averaged still has its housing. */
const OUTDOOR_LAG_S = 1200

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

/** Lag of whatever feels for an input. */
function probeLag(chain: ResolvedChain, plan: PlanOf, data: FieldData): number {
  const { probe } = outputPath(chain, plan)
  return probe?.facts.probe?.lagS ?? fieldValue(data, probe ? 'lag.sheath.air' : 'lag.room').typical * (probe ? 1 : 60)
}

/** How often a continuous control looks: a fifth of its probe's lag, a second to a minute. */
function sampleOf(lagS: number): number {
  return [60, 30, 20, 10, 5, 2].find((each) => each <= lagS / 5) ?? 1
}

/**
 * The loop as a scenario: plant by the survey's figures, each planned output with its probe and what it moves, limiters and other contacts in
 * its line, what its controller does besides. Starts at rest with the controlled place in the middle of its first output's band; a heated
 * cabinet starts cold.
 */
export function loopScenario(
  given: { readonly loop: LoopDocument; readonly chain: ResolvedChain; readonly data: FieldData },
  survey: LoopSurvey,
  run: RunChoice,
): LoopRun {
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
  parts.addControls()
  if (fan && heater) parts.addDefrost(fan, heater.device)
  else if (fan) parts.addDefrost(fan, undefined)
  parts.addContacts(moved.limiterAt)
  if (battery) parts.addBattery()
  const mixed = survey.floor ? parts.mixed(survey.floor.facts.dropK) : undefined
  const indoor = moved.actuators.some(({ id }) => id === fan?.id)
  return {
    controlled: model.controlled,
    outputs: parts.outputs,
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

/** A battery by its label: charge per volt between empty and full, at rest. */
function batteryOf({ loop, chain, data }: Parameters<typeof loopScenario>[0], driven: readonly Driven[]) {
  const controller = chain.devices.find(({ id }) => id === driven[0]?.plan.output.device)
  const blocks = controller && (sourceOf(chain, controller).volts ?? 12) > 18 ? 2 : 1
  const { answers } = loop.survey
  const amperHours = typeof answers['batteryAh'] === 'number' ? answers['batteryAh'] : 100
  const fullV = fieldValue(data, 'bat.rest.full').typical * blocks
  const fifthV = fieldValue(data, 'bat.rest.fifth').typical * blocks
  return { fullV, coulombPerV: (amperHours * HOUR_S * 0.8) / (fullV - fifthV) }
}

/** Gathers what switches, output by output. */
class Parts {
  readonly probes: ScenarioProbe[] = []
  readonly controls: Control[] = []
  readonly inputs: Record<string, Input> = {}
  readonly permissives: { drives: string; expression: Expression }[] = []
  readonly alarms: Alarm[] = []
  readonly outputs: { plan: PlanOf; actuator: string; probe: string; control: string }[] = []
  private readonly lags = new Map<string, number>()

  constructor(
    private readonly given: Parameters<typeof loopScenario>[0],
    private readonly survey: LoopSurvey,
    private readonly driven: readonly Driven[],
    private readonly controlled: string,
  ) {}

  private controller(plan: PlanOf): ResolvedDevice | undefined {
    return this.given.chain.devices.find(({ id }) => id === plan.output.device)
  }

  private whole(plan: PlanOf): ControllerPlan {
    const device = this.controller(plan)
    return device ? controllerPlanOf(this.given, device) : {}
  }

  /** Reset line that an output's own temperatures follow: that of a boiler. */
  private reset(plan: PlanOf): ControllerPlan['reset'] {
    const { reset } = this.whole(plan)
    return this.survey.boiler ? reset : undefined
  }

  /** Water of a floor whose controller mixes it by the weather: supply, and the mean that the screed sees. */
  mixed(dropK: number): Readonly<Record<'supply' | 'water', SupplyBoundary>> | undefined {
    const reset = this.driven.map(({ plan }) => this.whole(plan).reset).find((each) => each !== undefined)
    if (!reset) return undefined
    const { averageH: _a, shiftK, setbackK: _s, ...line } = reset
    const restC = this.survey.floor?.plant.designRoomC
    const of = (byK: number): SupplyBoundary => ({
      outdoor: 'outdoor',
      line,
      shiftK: shiftK + byK,
      ...(restC === undefined ? {} : { restC }),
    })
    return { supply: of(0), water: of(-dropK / 2) }
  }

  /** Where the water of a reset line is at this outdoor temperature; undefined where there is no line. */
  startsAt(outdoorC: number): number | undefined {
    const plan = this.driven[0]?.plan
    const reset = plan && this.reset(plan)
    if (!reset) return undefined
    const { designOutdoorC, designSupplyC, warmOutdoorC, warmSupplyC } = reset
    const held = Math.min(warmOutdoorC, Math.max(designOutdoorC, outdoorC))
    return designSupplyC - ((designSupplyC - warmSupplyC) * (held - designOutdoorC)) / (warmOutdoorC - designOutdoorC)
  }

  addProbe(i: number, plan: PlanOf): void {
    const id = `probe ${i + 1}`
    const lagS = probeLag(this.given.chain, plan, this.given.data)
    this.lags.set(plan.id, lagS)
    this.probes.push({ id, node: this.controlled, lagS })
    const delayS = fieldValue(this.given.data, 'sim.alarm.delay').typical * 60
    // Limits of a plan that follows the weather move with it: what is fixed would call all day.
    if (this.reset(plan)) return
    if (plan.alarmHighC !== undefined || plan.alarmLowC !== undefined)
      this.alarms.push({
        id: `alarm ${i + 1}`,
        probe: id,
        ...(plan.alarmHighC === undefined ? {} : { aboveC: plan.alarmHighC }),
        ...(plan.alarmLowC === undefined ? {} : { belowC: plan.alarmLowC }),
        delayS,
      })
  }

  addControls(): void {
    const done = new Set<string>()
    for (const [i, item] of this.driven.entries()) {
      const { plan } = item
      if (done.has(plan.id)) continue
      const shared = this.shared(plan)
      const group = this.driven.filter(
        ({ plan: other }) =>
          other.kind === 'on-off' &&
          plan.kind === 'on-off' &&
          other.action === plan.action &&
          other.output.device === plan.output.device &&
          other.input.port === plan.input.port,
      )
      if (plan.kind === 'on-off' && group.length > 1) {
        for (const { plan: other } of group) done.add(other.id)
        this.addStaged(group as (Driven & { plan: PlanOf<OnOffBehaviour> })[], `probe ${i + 1}`, shared)
      } else {
        done.add(plan.id)
        const id = plan.id
        this.addOne(item, `probe ${i + 1}`, shared)
        this.outputs.push({ plan, actuator: item.actuator, probe: `probe ${i + 1}`, control: id })
      }
    }
  }

  /** What an output has from its controller: the reset line that it follows, the night, its run hours. */
  private shared(plan: PlanOf) {
    const reset = this.reset(plan)
    const whole = this.whole(plan)
    const device = plan.output.device
    const periods = ordered(whole.week?.periods ?? {})
    const weekId = `week ${device}`
    if (periods.length > 0 && !this.controls.some(({ id }) => id === weekId))
      this.controls.push({
        id: weekId,
        kind: 'schedule',
        periods: periods.map(({ days, start, minutes }) => ({ days, start, minutes })),
      })
    const night = periods.length > 0 && periods.some(({ mode }) => mode === 'night')
    const resetId = `line ${device}`
    if (reset && !this.controls.some(({ id }) => id === resetId)) {
      const { averageH, shiftK, setbackK: _, ...line } = reset
      this.probes.push({
        id: `outdoor ${device}`,
        node: 'outdoor',
        lagS: averageH > 0 ? averageH * HOUR_S : OUTDOOR_LAG_S,
      })
      this.controls.push({ id: resetId, kind: 'reset', probe: `outdoor ${device}`, line, shiftK })
    }
    return {
      fromC: reset ? plan.setpointC : 0,
      follow: {
        ...(reset ? { follows: resetId } : {}),
        ...(night && reset && reset.setbackK > 0 ? { setback: { while: weekId, byK: reset.setbackK } } : {}),
      },
      runs: periods.length > 0 && !night ? weekId : undefined,
    }
  }

  private fault(plan: PlanOf) {
    return {
      probeFault: plan.probeFault,
      ...(plan.dutyPercent === undefined ? {} : { dutyShare: plan.dutyPercent / 100 }),
    }
  }

  /** Off time after each stop: the plan's, or the load's own where that is longer. */
  private minimumOffS({ plan, ends }: Driven): number {
    const own = ends.map(({ device }) =>
      device.facts.load?.timesOwnMinimumOff ? (device.facts.load.minimumOffS ?? 0) : 0,
    )
    return Math.max(plan.kind === 'on-off' ? plan.minimumOffS : 0, ...own)
  }

  private runOnly(actuators: readonly string[], runs: string | undefined): void {
    if (runs !== undefined) for (const drives of actuators) this.permissives.push({ drives, expression: runs })
  }

  private addStaged(
    group: readonly (Driven & { plan: PlanOf<OnOffBehaviour> })[],
    probe: string,
    { fromC, follow, runs }: ReturnType<Parts['shared']>,
  ): void {
    const { plan } = group[0]!
    const { stages } = this.whole(plan)
    this.controls.push({
      id: plan.id,
      kind: 'staged',
      probe,
      action: plan.action,
      stages: group.map(({ plan: each, actuator }) => ({
        drives: actuator,
        onC: each.onC - fromC,
        offC: each.offC - fromC,
      })),
      waitS: stages?.waitS ?? 0,
      lead: stages?.lead ?? 'fixed',
      minimumOffS: Math.max(...group.map((each) => this.minimumOffS(each))),
      ...this.fault(plan),
      ...follow,
    })
    for (const each of group) this.outputs.push({ plan: each.plan, actuator: each.actuator, probe, control: plan.id })
    this.runOnly(
      group.map(({ actuator }) => actuator),
      runs,
    )
  }

  private addOne(item: Driven, probe: string, { fromC, follow, runs }: ReturnType<Parts['shared']>): void {
    const { plan, ends } = item
    const sampleS = sampleOf(this.lags.get(plan.id) ?? 60)
    // A plan may move several loads at once: one control for each, all alike.
    for (const [n, end] of ends.entries()) {
      const id = n === 0 ? plan.id : `${plan.id} ${n + 1}`
      const base = { id, probe, drives: end.device.id, action: plan.action }
      if (plan.kind === 'on-off') this.addOnOff(item, plan, { ...base, fromC, follow, sampleS })
      else if (plan.kind === 'fan')
        this.controls.push({
          id,
          kind: 'fan',
          drives: end.device.id,
          demands: this.demands(plan, probe),
          leastShare: plan.minimumPercent === 'off' ? 0 : plan.minimumPercent / 100,
          stops: plan.minimumPercent === 'off',
          scaled: plan.minimumMode === 'scaled',
          sampleS,
          probeFault: plan.probeFault === 'on' ? 'on' : 'off',
        })
      else this.addBand(plan, { ...base, fromC, follow, sampleS })
    }
    this.runOnly(
      ends.map(({ device }) => device.id),
      runs,
    )
  }

  private demands(plan: Extract<PlanOf, { kind: 'fan' }>, probe: string) {
    const heat = { probe, zeroAt: plan.setpointC, fullAt: plan.setpointC + plan.bandK }
    if (plan.humidityPercent === undefined) return [heat]
    if (!this.probes.some(({ id }) => id === 'humidity'))
      this.probes.push({
        id: 'humidity',
        node: 'air',
        moisture: 'moisture',
        lagS: fieldValue(this.given.data, 'lag.sheath.air').typical,
      })
    return [
      heat,
      {
        probe: 'humidity',
        zeroAt: plan.humidityPercent,
        fullAt: plan.humidityPercent + (plan.humidityBandPercent ?? 10),
      },
    ]
  }

  private addOnOff(
    item: Driven,
    plan: PlanOf<OnOffBehaviour>,
    at: {
      id: string
      probe: string
      drives: string
      action: PlanOf['action']
      fromC: number
      follow: object
      sampleS: number
    },
  ): void {
    const { id, probe, drives, action, fromC, follow, sampleS } = at
    const [onC, offC] = [plan.onC - fromC, plan.offC - fromC]
    const { boiler } = this.survey
    if (boiler?.burns) {
      const { data } = this.given
      this.controls.push({
        ...{ id, kind: 'ramped', probe, drives, action, onC, offC, fullC: onC, leastShare: boiler.leastShare, sampleS },
        igniteS: fieldValue(data, 'purge.pre').typical + fieldValue(data, 'ignite.safety').typical,
        rampS: 60,
        minimumOffS: this.minimumOffS(item),
        probeFault: plan.probeFault === 'on' || plan.probeFault === 'duty' ? 'on' : 'off',
        ...follow,
      })
    } else
      this.controls.push({
        ...{ id, kind: 'on-off', probe, drives, action, onC, offC, minimumOffS: this.minimumOffS(item) },
        ...this.fault(plan),
        ...follow,
      })
  }

  private addBand(
    plan: PlanOf<BandBehaviour>,
    at: {
      id: string
      probe: string
      drives: string
      action: PlanOf['action']
      fromC: number
      follow: object
      sampleS: number
    },
  ): void {
    const { id, probe, drives, action, fromC, follow, sampleS } = at
    const ends = bandEnds(plan)
    const common = {
      ...{ id, probe, drives, action, zeroC: ends.zeroC - fromC, fullC: ends.fullC - fromC },
      leastShare: plan.minimumPercent / 100,
      mostShare: plan.maximumPercent / 100,
      ...this.fault(plan),
      ...follow,
    }
    const integral = plan.integralS > 0 ? { setC: plan.setpointC - fromC, integralS: plan.integralS } : {}
    if (plan.cycleS && plan.cycleS > SHORT_CYCLE_S)
      this.controls.push({ ...common, ...integral, kind: 'time-proportioned', cycleS: plan.cycleS })
    else if (plan.travelS)
      this.controls.push({
        ...common,
        ...integral,
        kind: 'three-point',
        sampleS,
        neutralShare: fieldValue(this.given.data, 'threepoint.neutral').typical / 100,
      })
    else if (plan.integralS > 0)
      this.controls.push({ ...common, kind: 'pi', sampleS, setC: plan.setpointC - fromC, integralS: plan.integralS })
    else this.controls.push({ ...common, kind: 'proportional', sampleS })
  }

  /** Coil, its melting, and the fan that runs all the while. */
  addDefrost(fan: ResolvedDevice, heater: ResolvedDevice | undefined): void {
    const cold = this.driven.find(({ ends }) => ends.some(({ does }) => does === 'cooling'))
    if (!cold) return
    if (!this.driven.some(({ actuator }) => actuator === fan.id))
      this.controls.push({ id: 'fan runs', kind: 'constant', drives: fan.id })
    const plan = this.whole(cold.plan).defrost
    if (!plan) return
    this.probes.push({ id: 'coil', node: 'coil', lagS: fieldValue(this.given.data, 'lag.coil').typical })
    this.controls.push({
      ...{ id: 'defrost', kind: 'defrost', by: plan.by, cooling: cold.actuator, fan: fan.id, coil: 'coil' },
      ...(heater ? { heater: heater.id } : {}),
      everyS: plan.everyH * HOUR_S,
      ...(plan.coilC === undefined ? {} : { coilC: plan.coilC }),
      blindS: plan.blindMin * 60,
      endC: plan.endC,
      longestS: Math.max(60, plan.longestMin * 60),
      dripS: plan.dripMin * 60,
      fanBackC: plan.fanBackC,
    })
  }

  addBattery(): void {
    const [first] = this.driven
    const plan = first && this.whole(first.plan).battery
    const ids = this.driven.map(({ actuator }) => actuator)
    const sag = fieldValue(this.given.data, 'bat.sag').typical
    this.probes.push({ id: 'volts', node: 'battery', lagS: 2, sags: Object.fromEntries(ids.map((id) => [id, sag])) })
    if (!plan) return
    this.controls.push({ id: 'battery', kind: 'battery', probe: 'volts', ...plan })
    for (const drives of ids) this.permissives.push({ drives, expression: 'battery' })
  }

  /** Limiters, permissive contacts, the timer of the controller: whatever must be closed for a load to run. */
  addContacts(limiterAt: Readonly<Record<string, string>>): void {
    const put = (drives: string, name: string) => {
      if (!this.permissives.some((each) => each.drives === drives && each.expression === name))
        this.permissives.push({ drives, expression: name })
    }
    for (const { plan, ends } of this.driven)
      for (const end of ends) {
        const drives = end.device.id
        for (const device of end.via) {
          const { limiter, permissive } = device.facts
          if (limiter && device.dialC !== undefined && limiterAt[drives]) {
            const probe = `limiter ${device.id}`
            if (!this.probes.some(({ id }) => id === probe))
              this.probes.push({ id: probe, node: limiterAt[drives], lagS: LIMITER_LAG_S })
            this.inputs[device.tag] = { probe, belowC: device.dialC, latched: limiter.reset === 'manual' }
            put(drives, device.tag)
          } else if (permissive?.senses === 'frost') {
            const probe = `frost ${device.id}`
            const opensC = device.dialC ?? permissive.opensAtC
            if (opensC === undefined) continue
            this.probes.push({ id: probe, node: this.controlled, lagS: LIMITER_LAG_S })
            this.inputs[device.tag] = { probe, aboveC: opensC }
            put(drives, device.tag)
          } else if (permissive) {
            this.inputs[device.tag] = this.conditionOf(permissive.senses)
            put(drives, device.tag)
          }
        }
        const { timer } = this.whole(plan)
        if (timer && timer.aS > 0) {
          const id = `timer ${plan.output.device}`
          if (!this.controls.some((each) => each.id === id))
            this.controls.push({
              ...{ id, kind: 'timer', mode: timer.mode, aS: timer.aS, bS: timer.bS },
              ...(timer.from === 'heat'
                ? {
                    from: {
                      probe: this.outputs.find((each) => each.plan.id === plan.id)!.probe,
                      action: plan.action,
                      atC: plan.setpointC + (plan.action === 'heating' ? -REACHED_K : REACHED_K),
                    },
                  }
                : {}),
            })
          put(drives, id)
        }
      }
  }

  /** Flow of a pool whose pump has its own timer is there in its hours; all else is as it should be. */
  private conditionOf(senses: string): Input {
    const { answers } = this.given.loop.survey
    const hours = this.survey.figures['pumpHours']?.value
    if (senses === 'flow' && answers['owner'] === 'timer' && hours !== undefined && hours < 24) {
      const from = Math.max(0, 14 - hours / 2)
      return { hours: [[from, Math.min(24, from + hours)]] }
    }
    return { constant: true }
  }
}

/** A timer that counts from reaching the set takes it as reached this near. */
const REACHED_K = 1
