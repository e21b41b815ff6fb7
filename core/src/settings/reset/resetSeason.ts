import { resetSaving } from './law/resetSaving'
import { fieldValue } from '../../plant/fieldValue'
import { hoursByTemperature, weatherYear } from '../../plant/weatherYear'
import type { LoopContext } from '../../loop/context'
import type { Consequence } from '../consequences'
import { type ResetView, shiftedLine } from './resetView'

/** A made-up year along a reset line, against a fixed supply, and what stands beside the line. */
interface ResetSeason {
  /** Hours in bands of outdoor temperature. */
  readonly hours: readonly { readonly fromC: number; readonly toC: number; readonly hours: number }[]
  readonly saving?: {
    readonly fixedKwh: number
    readonly resetKwh: number
    readonly savingPercent: number
    readonly hoursUnderLimit: number
    readonly lowPercent: number
    readonly highPercent: number
  }
  readonly lines: readonly Consequence[]
}

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

/** The season of a line: asked for by whoever shows it, since a year of hours is long to add up. */
export function resetSeason(context: LoopContext, view: ResetView): ResetSeason {
  const { survey, data } = context
  const { plan, roomC, designC, dropK, fixedC, condensing, returnLimitC, fromC, toC } = view
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
  const saving: ResetSeason['saving'] =
    usual?.savingPercent != null && wide?.savingPercent != null && narrow?.savingPercent != null
      ? {
          fixedKwh: usual.fixedKwh,
          resetKwh: usual.resetKwh,
          savingPercent: usual.savingPercent,
          hoursUnderLimit: usual.hoursCondensing,
          lowPercent: Math.min(narrow.savingPercent, usual.savingPercent),
          highPercent: Math.max(wide.savingPercent, usual.savingPercent),
        }
      : undefined
  return {
    hours: hoursByTemperature(hourly, 2).filter(({ toC: to, fromC: from }) => to > fromC && from < toC),
    ...(saving ? { saving } : {}),
    lines: linesOf(view, saving, context),
  }
}

/** A season's energy in words: kilowatt-hours are too many to read. */
const megawattHours = (kwh: number) => `${(kwh / 1000).toFixed(1)} MWh`

/** What stands beside the line. */
function linesOf(view: ResetView, saving: ResetSeason['saving'], { words }: LoopContext): Consequence[] {
  const { coolestReturn, now } = view
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
