import { type ResetLine, resetLine, resetRatio } from '../../control/resetLine'
import { resetSaving, usualDewPointC } from '../../control/resetSaving'
import { returnAt } from '../../control/returnTemperature'
import type { ResolvedDevice } from '../../job/chain'
import type { ResetPlan } from '../../job/controllerPlan'
import { emitterNeed } from '../../plant/emitterCurve'
import { fieldValue } from '../../plant/fieldValue'
import { hoursByTemperature, weatherYear } from '../../plant/weatherYear'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { emitterIds, emitters } from '../../survey/emitters'
import type { LoopContext } from '../context'
import { leastReturnC } from './leastReturn'
import { type Consequence, outdoorNow } from '../consequences'

export interface LinePoint {
  readonly outdoorC: number
  readonly supplyC: number
}

/** Everything that is drawn of a reset line and told beside it, in °C. */
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
  /** Hours of a made-up year in bands of outdoor temperature. */
  readonly hours: readonly { readonly fromC: number; readonly toC: number; readonly hours: number }[]
  readonly saving?: {
    readonly fixedKwh: number
    readonly resetKwh: number
    readonly savingPercent: number
    readonly hoursUnderLimit: number
    readonly lowPercent: number
    readonly highPercent: number
  }
  /** Most by which the line stays under what the emitters need while there is a load. */
  readonly shortK: number
  readonly lines: readonly Consequence[]
}

/** How far the drawing goes beyond the design day and the summer. */
const BEYOND_K = 6
const STEP_K = 0.5
/** Around the pipes outside of the rooms, °C. */
const PIPE_AMBIENT_C = 12
/** Efficiency over return temperature: a condensing boiler gains under the dew point, another does not. */
const efficiencies = {
  condensing: [
    [30, 98],
    [45, 94],
    [55, 89],
    [75, 87],
  ],
  plain: [
    [30, 88],
    [75, 86],
  ],
} as const

/** The line with what is shifted and set back: both points, minimum and maximum move, the summer stop and the frost guard stay. */
export function shiftedLine(plan: ResetPlan, byK: number): ResetLine {
  const { averageH: _a, shiftK: _s, setbackK: _b, ...line } = plan
  return { ...line, designSupplyC: line.designSupplyC + byK, warmSupplyC: line.warmSupplyC + byK }
}

/** The controller of a loop that has a reset line. */
export const resetController = ({ chain }: Pick<LoopContext, 'chain'>): ResolvedDevice | undefined =>
  chain.devices.find(({ facts }) => facts.controller?.controls?.reset)

// The year of a design day is the same whatever else is dragged.
const years = new Map<number, readonly number[]>()
function yearOf(designC: number): readonly number[] {
  const key = Math.round(designC * 10) / 10
  const known = years.get(key)
  if (known) return known
  const made = weatherYear(key)
  if (years.size > 20) years.clear()
  years.set(key, made)
  return made
}

/**
 * The reset line of a controller, drawn out, with the emitters' need, the return, today and a season against a fixed supply.
 * @returns undefined where no controller has one, or its points cannot make a line
 */
export function resetView(context: LoopContext, device = resetController(context)): ResetView | undefined {
  const plan = device && controllerPlanOf(context, device).reset
  if (!plan || !(plan.warmOutdoorC > plan.designOutdoorC)) return undefined
  const { loop, survey, data } = context
  const { answers } = loop.survey
  const roomC = typeof answers['target'] === 'number' ? answers['target'] : 21
  const emitter =
    emitters[emitterIds.find((id) => id === answers['emitter']) ?? (loop.kind === 'floor' ? 'floor' : 'radiators-old')]
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
  const hourly = yearOf(designC)
  const lossOf = (share: number) => ((survey?.seen.loadW ?? 0) * share) / Math.max(1, roomC - designC)
  const pipe = fieldValue(data, 'pipe.loss.run')
  const saved = (share: number, pipeLossWPerK: number) =>
    resetSaving({
      ...shiftedLine(plan, plan.shiftK),
      hourlyOutdoorC: hourly,
      roomC,
      lossWPerK: lossOf(share),
      fixedSupplyC: Math.max(fixedC, plan.minimumSupplyC ?? 0),
      pipeLossWPerK,
      pipeAmbientC: PIPE_AMBIENT_C,
      efficiency: condensing ? efficiencies.condensing : efficiencies.plain,
      dropK,
      designDayC: designC,
      dewPointC: returnLimitC,
    })
  const [usual, wide, narrow] =
    survey && lossOf(1) > 0 ? [saved(1, pipe.typical), saved(0.7, pipe.high), saved(1.4, pipe.low)] : []
  const made: Omit<ResetView, 'lines'> = {
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
    hours: hoursByTemperature(hourly, 2).filter(({ toC: to, fromC: from }) => to > fromC && from < toC),
    ...(usual?.savingPercent != null && wide?.savingPercent != null && narrow?.savingPercent != null
      ? {
          saving: {
            fixedKwh: usual.fixedKwh,
            resetKwh: usual.resetKwh,
            savingPercent: usual.savingPercent,
            hoursUnderLimit: usual.hoursCondensing,
            lowPercent: Math.min(narrow.savingPercent, usual.savingPercent),
            highPercent: Math.max(wide.savingPercent, usual.savingPercent),
          },
        }
      : {}),
    shortK,
  }
  return { ...made, lines: linesOf(made, context) }
}

/** A season's energy in words: kilowatt-hours are too many to read. */
const megawattHours = (kwh: number) => `${(kwh / 1000).toFixed(1)} MWh`

/** What stands beside the line. */
function linesOf(view: Omit<ResetView, 'lines'>, { words }: LoopContext): Consequence[] {
  const { saving, coolestReturn, now } = view
  const line = (id: string, label: string, text: string): Consequence => ({
    id,
    label,
    value: null,
    quantity: 'energy',
    text,
  })
  return [
    ...(saving
      ? [
          line(
            'fixed',
            `Fixed at ${words.say(view.fixedC, 'temperature', 0)}, a season`,
            megawattHours(saving.fixedKwh),
          ),
          line('reset', 'With this line', megawattHours(saving.resetKwh)),
          line(
            'saving',
            'Saves',
            `${words.say(saving.savingPercent, 'percent')} (${Math.round(saving.lowPercent)} to ${Math.round(saving.highPercent)})`,
          ),
          line(
            'condensing',
            `Return under ${words.say(view.returnLimitC, 'temperature', 0)}`,
            `${words.say(saving.hoursUnderLimit, 'hours', 0)} a year`,
          ),
        ]
      : []),
    { id: 'ratio', label: 'Supply per degree outdoors', value: view.ratio, quantity: 'factor' },
    ...(now
      ? [
          {
            id: 'now',
            label: `Asked for now, ${now.says}`,
            value: now.supplyC,
            quantity: 'temperature' as const,
          },
        ]
      : []),
    ...(coolestReturn
      ? [
          line(
            'return',
            'Coolest return',
            `${words.say(coolestReturn.supplyC, 'temperature', 0)} at ${words.say(coolestReturn.outdoorC, 'temperature', 0)}`,
          ),
        ]
      : []),
    line('short', 'Under what emitters need', view.shortK > 0.05 ? words.say(view.shortK, 'difference') : 'nowhere'),
  ]
}
