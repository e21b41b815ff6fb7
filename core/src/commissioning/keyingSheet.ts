import type { Beyond } from '../words/beyondWords'
import type { ResolvedDevice } from '../document/chain'
import type { LoopDocument, Reading } from '../document/documents'
import type { LoopContext } from '../loop/context'
import type { ControllerFacts } from '../device/deviceProfile'
import { keyingOrder } from '../device/keyingRoute'
import { keyPath, keyPathText } from '../device/keyPath'
import { parameterView } from '../device/parameterView'
import { clockText } from '../time/clockText'
import { type Quantity, shownText, type UnitPreferences } from '../units/quantity'
import { plannedValues } from '../settings/plannedValues'
import { remembered } from '../memory/remembered'

/** One parameter of the sheet: what to key, what was there, what is there now. */
export interface KeyingRow {
  readonly code: string
  readonly name: string
  readonly meaning: string
  readonly level: 'owner' | 'installer'
  /** What the display is to show. */
  readonly planned: string
  readonly unit: string
  /** What it is a number of; left out for a choice. */
  readonly quantity?: Quantity
  /** Choices of a parameter that is no number: value shown, by what it means. */
  readonly choices?: Readonly<Record<string, string>>
  /** The plan to more places than the display has, where it cannot show it: "27.78, shown 27.8". */
  readonly rounded?: { readonly exact: string; readonly difference: string }
  /** Why it cannot be keyed as planned, with what the controller takes. */
  readonly beyond?: Beyond
  /** Codes that are set back when this one is keyed: they follow, and are keyed again. */
  readonly setsBack: readonly string[]
  readonly asFound: Reading | undefined
  readonly asLeft: Reading | undefined
  /** Whether the as-left value shows what was planned; undefined while there is none. */
  readonly agrees: boolean | undefined
}

export interface KeyingSheet {
  readonly device: ResolvedDevice
  /** In the order of keying. */
  readonly rows: readonly KeyingRow[]
}

/** Whether a row still wants a hand: not keyed yet, or left otherwise without a reason. */
export const waits = ({ agrees, asLeft }: KeyingRow): boolean => agrees !== true && asLeft?.why === undefined

type Given = Pick<LoopContext, 'job' | 'loop' | 'chain' | 'data'>

/** How to get to a parameter from the home display: the keys through the menu, or what is turned by hand where there is no menu for it. */
export function keysOf({ menu, parameters }: ControllerFacts, code: string): string {
  const { hand, menu: level } = parameters[code]!
  const path = menu && level !== undefined ? keyPath(menu, parameters, code) : undefined
  return menu && path && level !== undefined ? keyPathText(menu, path, level) : (hand ?? 'by hand')
}

/** What a display is to show for a planned value, and what is lost or cannot be reached. */
function shownPlan(
  controller: ControllerFacts,
  code: string,
  value: number | string,
  preferences: UnitPreferences,
): Pick<KeyingRow, 'planned' | 'unit' | 'quantity' | 'choices' | 'rounded' | 'beyond'> | undefined {
  const parameter = controller.parameters[code]!
  const view = parameterView(parameter, controller, preferences)
  if (!view) {
    const shows = parameter.shows ?? {}
    const shown = shows[value]
    const offers = Object.values(shows).join(', ')
    // A choice that the controller lacks: nothing is keyed for it, and the sheet says so.
    return {
      planned: shown ?? parameter.comes?.toString() ?? Object.values(shows)[0] ?? '',
      unit: '',
      choices: shows,
      ...(shown === undefined ? { beyond: { asks: `\u201c${value}\u201d`, takes: offers } } : {}),
    }
  }
  if (typeof value !== 'number') return undefined
  const exact = view.toShown(value)
  const planned = view.shows(Math.min(view.toSi(view.high), Math.max(view.toSi(view.low), value)))
  const shown = view.quantity === 'clock' ? exact : Number(planned.replace('\u2212', '-'))
  const outside = exact < view.low - view.step / 2 || exact > view.high + view.step / 2
  const off = shown - exact
  const unit = view.label
  const withUnit = (text: string) => `${text}${unit ? `\u00a0${unit}` : ''}`
  return {
    planned,
    unit,
    quantity: view.quantity,
    ...(outside
      ? {
          beyond: {
            asks: withUnit(view.text(exact)),
            takes: `${view.text(view.low)} to ${withUnit(view.text(view.high))}`,
          },
        }
      : view.quantity !== 'clock' && Math.abs(off) > view.step / 1000
        ? {
            rounded: {
              exact: withUnit(shownText(exact, view.decimals + 2)),
              difference: withUnit(`${off > 0 ? '+' : ''}${shownText(off, view.decimals + 2)}`),
            },
          }
        : {}),
  }
}

/**
 * The keying sheets of a loop, one for each controller, in the order in which keying one parameter does not undo another and each
 * level of the menu is gone into once. Always in the job's unit: that is what the controller is set to show, whatever unit is being
 * looked at.
 */
export const keyingSheet = remembered((given: Given): readonly KeyingSheet[] => {
  const { job, loop, chain } = given
  return chain.devices.flatMap((device): KeyingSheet[] => {
    const { controller } = device.facts
    if (!controller) return []
    const values = plannedValues(given, device)
    const rows = new Map<string, KeyingRow>()
    for (const [code, value] of values) {
      const parameter = controller.parameters[code]!
      const shown = shownPlan(controller, code, value, job)
      if (!shown) continue
      const asLeft = loop.settings.asLeft[device.id]?.[code]
      rows.set(code, {
        code,
        name: parameter.name,
        meaning: parameter.meaning,
        level: parameter.level,
        ...shown,
        setsBack: Object.keys(parameter.resets ?? {}).filter((other) => values.has(other)),
        asFound: loop.settings.asFound[device.id]?.[code] ?? foundOn(loop, device, code),
        asLeft,
        agrees: asLeft === undefined ? undefined : shows(asLeft, shown, controller, code, job),
      })
    }
    if (rows.size === 0) return []
    const order = keyingOrder(controller, [...rows.keys()])
    return [{ device, rows: order.map((code) => rows.get(code)!) }]
  })
})

/** What was written down of this parameter on the first visit, where the control that was there is the one that stays. */
function foundOn({ survey }: LoopDocument, { facts }: ResolvedDevice, code: string): Reading | undefined {
  const { found } = survey
  const text = found?.profile === facts.id ? found.values?.[code]?.text : undefined
  return text === undefined || text === '' ? undefined : { text, unit: '', state: 'value', at: '', by: '' }
}

/** Whether a reading is what the display should show: the same text, or a number within half a step of it. */
function shows(
  reading: Reading,
  { planned, quantity }: Pick<KeyingRow, 'planned' | 'quantity'>,
  controller: ControllerFacts,
  code: string,
  preferences: UnitPreferences,
): boolean {
  if (!quantity || reading.text.trim() === planned) return reading.text.trim() === planned
  if (reading.value === undefined) return false
  const view = parameterView(controller.parameters[code]!, controller, preferences)!
  const shown = view.toShown(reading.value)
  if (quantity === 'clock') return clockText(shown) === planned
  return Math.abs(shown - Number(planned.replace('\u2212', '-'))) <= view.step * 0.51
}
