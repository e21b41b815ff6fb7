import { answersOf } from '../../kinds/answersOf'
import { resetSaving } from './law/resetSaving'
import { fieldValue } from '../../plant/fieldValue'
import { hoursByTemperature, weatherYear } from '../../plant/weatherYear'
import type { LoopContext } from '../../loop/context'
import type { Consequence } from '../consequences'
import { remembered } from '../../memory/remembered'
import type { Quantity } from '../../units/quantity'
import type { Words } from '../../words/words'
import { type ResetView, resetView, shiftedLine } from './resetView'

/** What is saved in a season, and what it comes to. */
interface ResetSaved {
  readonly kwh: number
  readonly low: number
  readonly high: number
  readonly fuel?: { readonly amount: number; readonly quantity: Quantity; readonly name: string }
  readonly money?: number
}

type ResetSaving = NonNullable<ResetSeason['saving']>

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
    /** The same in kilowatt-hours, fuel and money; fuel and money where what burns and its price are known. */
    readonly saved: ResetSaved
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
          // In kilowatt-hours more loss and longer pipes save more, in percent the pipes alone do.
          saved: savedOf(
            context,
            [usual, saved(0.7, pipe.low), saved(1.4, pipe.high)].map(({ fixedKwh, resetKwh }) => fixedKwh - resetKwh),
          ),
        }
      : undefined
  return {
    hours: hoursByTemperature(hourly, 2).filter(({ toC: to, fromC: from }) => to > fromC && from < toC),
    ...(saving ? { saving } : {}),
    lines: linesOf(view, saving, context),
  }
}

/** Fuels by what burns: the row of their heat, and what they are counted in. */
const fuels = {
  gas: ['fuel.gas', 'gasVolume', 'gas'],
  oil: ['fuel.oil', 'litres', 'oil'],
  pellet: ['fuel.pellet', 'mass', 'pellets'],
} as const satisfies Readonly<Record<string, readonly [string, Quantity, string]>>

/** Kilowatt-hours, and what they are in fuel and in money. */
function savedOf({ data, loop }: LoopContext, [kwh = 0, ...others]: readonly number[]): ResetSaved {
  const { fuel, price } = answersOf(loop)
  const low = Math.min(kwh, ...others)
  const high = Math.max(kwh, ...others)
  const known = typeof fuel === 'string' && Object.hasOwn(fuels, fuel) ? fuels[fuel as keyof typeof fuels] : undefined
  return {
    ...{ kwh, low, high },
    ...(known
      ? { fuel: { amount: kwh / fieldValue(data, known[0]).typical, quantity: known[1], name: known[2] } }
      : {}),
    ...(typeof price === 'number' ? { money: kwh * price } : {}),
  }
}

/**
 * What a line saves over a season, in the one sentence that Set, Try and the owner's page have it in: kilowatt-hours with their range,
 * the share, fuel and money where they are known.
 */
export function saySaved({ saved, savingPercent }: ResetSaving, { say }: Words): string {
  const { kwh, low, high, fuel, money } = saved
  const of = [
    ...(fuel ? [`${say(fuel.amount, fuel.quantity, 0)} of ${fuel.name}`] : []),
    ...(money === undefined ? [] : [`${Math.round(money)} in your money`]),
  ]
  const range = `${say(low, 'energy', 0)} to ${say(high, 'energy', 0)}, by how much is lost`
  return `${say(kwh, 'energy', 0)}, ${say(savingPercent, 'percent')} (${range})${of.length > 0 ? `: ${of.join(', ')}` : ''}`
}

/** The saving of a loop whose water follows the weather; undefined where none does, or nothing is known of its load. */
export const resetSavingOf = remembered((context: LoopContext): ResetSaving | undefined => {
  const view = resetView(context)
  return view && resetSeason(context, view).saving
})

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
            words.say(saving.fixedKwh, 'energy', 0),
          ),
          line('reset', 'With this line', words.say(saving.resetKwh, 'energy', 0)),
          { ...line('saving', 'Saves', saySaved(saving, words)), fact: 'saving' },
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
