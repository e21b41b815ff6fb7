import { answersOf } from '../../kinds/answersOf'
import { factsOfKind } from '../../kinds/kinds'
import { type ResetLine, resetLine, resetRatio } from './law/resetLine'
import { usualDewPointC } from './law/resetSaving'
import { returnAt } from './law/returnTemperature'
import type { ResolvedDevice } from '../../document/chain'
import type { ResetPlan } from './fields'
import { emitterNeed } from '../../plant/emitterCurve'
import { fieldValue } from '../../plant/fieldValue'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { emitterIds, emitters } from '../../kinds/emitters'
import type { LoopContext } from '../../loop/context'
import { leastReturnC } from './leastReturn'
import { outdoorNow } from '../consequences'

interface LinePoint {
  readonly outdoorC: number
  readonly supplyC: number
}

/** Everything that is drawn of a reset line, in °C. */
export interface ResetView {
  readonly plan: ResetPlan
  readonly roomC: number
  /** Kelvins of supply per kelvin of outdoor. */
  readonly ratio: number
  /** The line as it runs, left out where it is shut down. */
  readonly line: readonly LinePoint[]
  /** The line in a period with set-back. */
  readonly setback: readonly LinePoint[]
  /** What the emitters need, the other school. */
  readonly need: readonly LinePoint[]
  /** Water that comes back, along the line. */
  readonly returns: readonly LinePoint[]
  /** Return under which this boiler may not burn; for a condensing one the one under which it condenses. */
  readonly returnLimitC: number
  readonly condensing: boolean
  readonly coolestReturn?: LinePoint
  readonly fixedC: number
  /** Supply asked for at the outdoor temperature of the visit. */
  readonly now?: LinePoint & { readonly says: string }
  /** Outdoor temperature of the design day, from the survey or else the line's own. */
  readonly designC: number
  /** Fall of the water across the emitters on that day. */
  readonly dropK: number
  /** What is drawn of outdoor temperature. */
  readonly fromC: number
  readonly toC: number
  /** Most by which the line stays under what the emitters need while there is a load. */
  readonly shortK: number
}

/** How far the drawing goes beyond the design day and the summer. */
const BEYOND_K = 6
const STEP_K = 0.5
/** The line with what is shifted and set back: both points, minimum and maximum move, the summer stop and the frost guard stay. */
export function shiftedLine(plan: ResetPlan, byK: number): ResetLine {
  const { averageH: _a, shiftK: _s, setbackK: _b, ...line } = plan
  return { ...line, designSupplyC: line.designSupplyC + byK, warmSupplyC: line.warmSupplyC + byK }
}

/** The controller of a loop that has a reset line. */
export const resetController = ({ chain }: Pick<LoopContext, 'chain'>): ResolvedDevice | undefined =>
  chain.devices.find(({ facts }) => facts.controller?.controls?.reset)

// Several rules and every working range ask for the same line of the same state.
const drawn = new WeakMap<LoopContext, Map<string, ResetView | undefined>>()

/**
 * The reset line of a controller, drawn out, with the emitters' need, the return and today.
 * @returns undefined where no controller has one, or its points cannot make a line
 */
export function resetView(context: LoopContext, device = resetController(context)): ResetView | undefined {
  if (!device) return undefined
  const known = drawn.get(context) ?? new Map<string, ResetView | undefined>()
  drawn.set(context, known)
  if (!known.has(device.id)) known.set(device.id, draw(context, device))
  return known.get(device.id)
}

function draw(context: LoopContext, device: ResolvedDevice): ResetView | undefined {
  const plan = controllerPlanOf(context, device).reset
  if (!plan || !(plan.warmOutdoorC > plan.designOutdoorC)) return undefined
  const { loop, survey, data } = context
  const answers = answersOf(loop)
  const roomC = typeof answers['target'] === 'number' ? answers['target'] : 21
  const emitter =
    emitters[emitterIds.find((id) => id === answers['emitter']) ?? factsOfKind(loop.kind).emitter ?? 'radiators-old']
  const designC = typeof answers['designOutdoor'] === 'number' ? answers['designOutdoor'] : plan.designOutdoorC
  const dropK = survey?.figures['waterDrop']?.value ?? emitter.dropK
  const exponent = fieldValue(data, emitter.exponent).typical
  let at: (outdoorC: number) => number | null
  let atNight: (outdoorC: number) => number | null
  try {
    at = resetLine(shiftedLine(plan, plan.shiftK))
    atNight = resetLine(shiftedLine(plan, plan.shiftK - plan.setbackK))
  } catch {
    return undefined
  }
  const needDesignC =
    typeof answers['supplyWater'] === 'number' ? answers['supplyWater'] : fieldValue(data, emitter.supply).typical
  const needAt = (outdoorC: number) =>
    designC < roomC && needDesignC - dropK / 2 > roomC && outdoorC < roomC
      ? (emitterNeed({
          outdoorC,
          designOutdoorC: designC,
          designSupplyC: needDesignC,
          designDropK: dropK,
          roomC,
          exponent,
        })?.supplyC ?? null)
      : null
  const fromC = Math.min(plan.designOutdoorC, designC) - BEYOND_K
  const toC = Math.max(plan.warmOutdoorC, plan.shutdownAboveC ?? roomC, roomC) + BEYOND_K / 2
  const steps = Array.from({ length: Math.round((toC - fromC) / STEP_K) + 1 }, (_, i) => fromC + i * STEP_K)
  const along = (of: (outdoorC: number) => number | null): LinePoint[] =>
    steps.flatMap((outdoorC) => {
      const supplyC = of(outdoorC)
      return supplyC === null ? [] : [{ outdoorC, supplyC }]
    })
  const line = along(at)
  // While there is a load: where nothing is asked for nothing burns.
  const returns = line.flatMap(({ outdoorC, supplyC }) =>
    outdoorC < roomC - 1 && outdoorC >= designC
      ? [{ outdoorC, supplyC: returnAt(supplyC, outdoorC, { roomC, designOutdoorC: designC, dropK }) }]
      : [],
  )
  const leastC = leastReturnC(context)
  const condensing = leastC === undefined
  const returnLimitC = leastC ?? usualDewPointC
  const coolestReturn = returns.reduce<LinePoint | undefined>(
    (least, point) => (least === undefined || point.supplyC < least.supplyC ? point : least),
    undefined,
  )
  const fixedC =
    Object.values(loop.settings.planned).find(({ output }) => output.device === device.id)?.setpointC ?? needDesignC
  const now = outdoorNow(context)
  const nowC = now && at(now.nowC)
  const shortK = returns.reduce((most, { outdoorC }) => {
    const need = needAt(outdoorC)
    const has = at(outdoorC)
    return need === null || has === null ? most : Math.max(most, need - has)
  }, 0)
  return {
    plan,
    roomC,
    ratio: resetRatio(plan),
    line,
    setback: plan.setbackK > 0 ? along(atNight) : [],
    need: along(needAt),
    returns,
    returnLimitC,
    condensing,
    ...(coolestReturn ? { coolestReturn } : {}),
    fixedC,
    ...(now && nowC !== null && nowC !== undefined
      ? { now: { outdoorC: now.nowC, supplyC: nowC, says: now.says } }
      : {}),
    designC,
    dropK,
    fromC,
    toC,
    shortK,
  }
}
