import { keyedSwingK, type OnOffBehaviour } from '../job/behaviour'
import { ordered, type ResolvedDevice } from '../job/chain'
import type { LoopDocument, Reading } from '../job/documents'
import type { LoopContext } from '../check/context'
import type { ControllerFacts, ParameterQuantity } from '../profile/deviceProfile'
import { keyPath, keyPathText } from '../profile/keyPath'
import { roundToStep } from '../units/displayRound'
import { type Quantity, quantityView, trueMinus, type UnitPreferences } from '../units/quantity'

/** One parameter of the sheet: what to key, what was there, what is there now. */
export interface KeyingRow {
  readonly code: string
  readonly name: string
  readonly meaning: string
  readonly keys: string
  readonly level: 'owner' | 'installer'
  /** What the display is to show. */
  readonly planned: string
  readonly unit: string
  /** What it is a number of; left out for a choice. */
  readonly quantity?: Quantity
  /** Choices of a parameter that is no number: value shown, by what it means. */
  readonly choices?: Readonly<Record<string, string>>
  readonly asFound: Reading | undefined
  readonly asLeft: Reading | undefined
  /** Whether the as-left value shows what was planned; undefined while there is none. */
  readonly agrees: boolean | undefined
}

export interface KeyingSheet {
  readonly device: ResolvedDevice
  readonly rows: readonly KeyingRow[]
}

const shownQuantity: Partial<Record<ParameterQuantity, Quantity>> = {
  setpoint: 'temperature',
  lowest: 'temperature',
  highest: 'temperature',
  alarmHigh: 'temperature',
  swing: 'difference',
  above: 'difference',
  below: 'difference',
  offset: 'difference',
  minimumOff: 'seconds',
}

/** How to get to a parameter: the keys through the menu, or what is turned by hand where there is no menu for it. */
export function keysOf({ menu, parameters }: ControllerFacts, code: string): string {
  const { hand, menu: level } = parameters[code]!
  const path = menu && level !== undefined ? keyPath(menu, parameters, code) : undefined
  return menu && path && level !== undefined ? keyPathText(menu, path, level) : (hand ?? 'by hand')
}

function numberOf(plan: OnOffBehaviour, binds: ParameterQuantity): number | undefined {
  switch (binds) {
    case 'setpoint':
      return plan.setpointC
    case 'swing':
      return keyedSwingK(plan)
    case 'above':
      return plan.aboveK
    case 'below':
      return plan.belowK
    case 'offset':
      return plan.offsetK
    case 'lowest':
      return plan.lowestC
    case 'highest':
      return plan.highestC
    case 'alarmHigh':
      return plan.alarmHighC
    case 'minimumOff':
      return plan.minimumOffS
    default:
      return undefined
  }
}

function choiceOf(plan: OnOffBehaviour, binds: ParameterQuantity, preferences: UnitPreferences): string | undefined {
  switch (binds) {
    case 'convention':
      return plan.convention
    case 'probeFault':
      return plan.probeFault
    case 'action':
      return plan.action
    case 'unit':
      return preferences.temperatureUnit
    default:
      return undefined
  }
}

/** A number as this controller shows it: in its display unit, rounded to its step. */
export function keyedText(
  value: number,
  quantity: Quantity,
  display: { stepC: number; stepF: number },
  preferences: UnitPreferences,
): string {
  const view = quantityView(quantity, preferences)
  const step = quantity === 'seconds' ? 1 : preferences.temperatureUnit === 'F' ? display.stepF : display.stepC
  return trueMinus(roundToStep(view.toShown(value), step).toFixed(step < 1 ? 1 : 0))
}

/**
 * The keying sheets of a loop, one for each controller, parameters in the order in which keying one does not undo another:
 * a parameter that resets others comes before them, then by the leaflet's order. Always in the job's unit: that is what the
 * controller is set to show, whatever unit is being looked at.
 */
export function keyingSheet({ job, loop, chain }: Pick<LoopContext, 'job' | 'loop' | 'chain'>): KeyingSheet[] {
  const plans = ordered(loop.settings.planned)
  return chain.devices.flatMap((device): KeyingSheet[] => {
    const { controller } = device.facts
    const mine = plans.filter(({ output }) => output.device === device.id)
    if (!controller || mine.length === 0) return []
    const resets = (code: string) => Object.keys(controller.parameters[code]?.resets ?? {}).length
    const parameters = Object.entries(controller.parameters).sort(
      ([a, p], [b, q]) => Number(resets(b) > 0) - Number(resets(a) > 0) || p.order - q.order,
    )
    const rows = parameters.flatMap(([code, parameter]): KeyingRow[] => {
      const plan = mine.find(
        ({ output, input }) =>
          parameter.port === undefined || parameter.port === output.port || parameter.port === input.port,
      )
      if (!plan || !parameter.binds) return []
      const quantity = shownQuantity[parameter.binds]
      const number = numberOf(plan, parameter.binds)
      const choice = choiceOf(plan, parameter.binds, job)
      const planned =
        quantity && number !== undefined
          ? keyedText(number, quantity, controller.display, job)
          : choice !== undefined
            ? parameter.shows?.[choice]
            : undefined
      if (planned === undefined) return []
      const asLeft = loop.settings.asLeft[device.id]?.[code]
      return [
        {
          code,
          name: parameter.name,
          meaning: parameter.meaning,
          keys: keysOf(controller, code),
          level: parameter.level,
          planned,
          unit: quantity ? quantityView(quantity, job).label : '',
          ...(quantity ? { quantity } : { choices: parameter.shows ?? {} }),
          asFound: loop.settings.asFound[device.id]?.[code] ?? foundOn(loop, device, code),
          asLeft,
          agrees: asLeft === undefined ? undefined : agrees(asLeft, planned, quantity, job),
        },
      ]
    })
    return [{ device, rows }]
  })
}

/** What was written down of this parameter on the first visit, where the control that was there is the one that stays. */
function foundOn({ survey }: LoopDocument, { facts }: ResolvedDevice, code: string): Reading | undefined {
  const { found } = survey
  const text = found?.profile === facts.id ? found.values?.[code]?.text : undefined
  return text === undefined || text === '' ? undefined : { text, unit: '', state: 'value', at: '', by: '' }
}

function agrees(
  reading: Reading,
  planned: string,
  quantity: Quantity | undefined,
  preferences: UnitPreferences,
): boolean {
  if (!quantity) return reading.text === planned
  if (reading.value === undefined) return false
  const shown = quantityView(quantity, preferences).toShown(reading.value)
  return Math.abs(shown - Number(planned.replace('\u2212', '-'))) < 0.051
}
