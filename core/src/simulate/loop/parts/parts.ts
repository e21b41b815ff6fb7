import { answersOf } from '../../../kinds/answersOf'
import type { PlanOf } from '../../../settings/behaviour'
import type { ResolvedChain, ResolvedDevice } from '../../../document/chain'
import type { ControllerPlan } from '../../../settings/controllerPlan'
import { ordered } from '../../../schema/ordered'
import { type FieldData, fieldValue } from '../../../plant/fieldValue'
import { controllerPlanOf } from '../../../survey/controllerPlanOf'
import type { LoopSurvey } from '../../../survey/surveyResult'
import { outputPath } from '../../../wiring/outputPath'
import type { Alarm, ContactLine, Control, Expression, Input, ScenarioProbe } from '../../scenario'
import { warmerDeadS } from '../warmer'
import { type Driven } from '../loopActuators'
import type { LoopDocument } from '../../../document/documents'

/** Where a control stands: what it feels and drives, from which temperature its own are counted, and how often it looks. */
export interface ControlAt {
  readonly id: string
  readonly probe: string
  readonly drives: string
  readonly action: PlanOf['action']
  readonly fromC: number
  readonly follow: object
  readonly sampleS: number
}

export const HOUR_S = 3600

/** An outdoor probe that is not averaged still has its housing. */
const OUTDOOR_LAG_S = 1200

/** Lag of whatever feels for an input. */
function probeLag(chain: ResolvedChain, plan: PlanOf, data: FieldData): number {
  const { probe } = outputPath(chain, plan)
  return probe?.facts.probe?.lagS ?? fieldValue(data, probe ? 'lag.sheath.air' : 'lag.room').typical * (probe ? 1 : 60)
}

/** What a run is made from. */
export interface RunGiven {
  readonly loop: LoopDocument
  readonly chain: ResolvedChain
  readonly data: FieldData
}

/** Gathers what switches, output by output. */
export class Parts {
  readonly probes: ScenarioProbe[] = []
  readonly controls: Control[] = []
  readonly inputs: Record<string, Input> = {}
  readonly permissives: { drives: string; expression: Expression }[] = []
  readonly lines: ContactLine[] = []
  /** Each control that stands for a contact of a plan's output, and what it drives. */
  readonly contacts: { plan: PlanOf; drives: string; control: string }[] = []
  /** What else has to hold for a plan's output to close, by plan: its hours, its timer, its battery. */
  readonly needs = new Map<string, Expression[]>()
  /** What conditions are called on site, where that is not their own name. */
  readonly names: Record<string, string> = {}
  readonly alarms: Alarm[] = []
  readonly outputs: { plan: PlanOf; actuator: string; probe: string; control: string }[] = []
  readonly lags = new Map<string, number>()

  constructor(
    readonly given: RunGiven,
    readonly survey: LoopSurvey,
    readonly driven: readonly Driven[],
    readonly controlled: string,
  ) {}

  controller(plan: PlanOf): ResolvedDevice | undefined {
    return this.given.chain.devices.find(({ id }) => id === plan.output.device)
  }

  whole(plan: PlanOf): ControllerPlan {
    const device = this.controller(plan)
    return device ? controllerPlanOf(this.given, device) : {}
  }

  /** Reset line that an output's own temperatures follow: that of a boiler. */
  reset(plan: PlanOf): ControllerPlan['reset'] {
    const { reset } = this.whole(plan)
    return this.survey.boiler ? reset : undefined
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
    const deadS = warmerDeadS(answersOf(this.given.loop))
    this.probes.push({ id, node: this.controlled, lagS, ...(deadS > 0 ? { deadS } : {}) })
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

  /** What an output has from its controller: the reset line that it follows, the night, its run hours. */
  shared(plan: PlanOf) {
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
    if (periods.length > 0 && !night)
      this.need(plan, weekId, `the hours of ${this.controller(plan)?.tag ?? 'its controller'}`)
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
    }
  }

  fault(plan: PlanOf) {
    return {
      probeFault: plan.probeFault,
      ...(plan.dutyPercent === undefined ? {} : { dutyShare: plan.dutyPercent / 100 }),
    }
  }

  /** Off time after each stop: the plan's, or the load's own where that is longer. */
  minimumOffS({ plan, ends }: Driven): number {
    const own = ends.map(({ device }) =>
      device.facts.load?.timesOwnMinimumOff ? (device.facts.load.minimumOffS ?? 0) : 0,
    )
    return Math.max(plan.kind === 'on-off' ? plan.minimumOffS : 0, ...own)
  }

  /** A plan's output closes only while this holds, too. */
  need(plan: PlanOf, condition: string, called: string): void {
    const needs = this.needs.get(plan.id) ?? []
    if (!needs.includes(condition)) this.needs.set(plan.id, [...needs, condition])
    this.names[condition] = called
  }
}
