import { clockText } from '../time/clockText'
import { roundToStep } from '../units/displayRound'
import { type Quantity, quantityView, shownText, type UnitPreferences } from '../units/quantity'
import type { ControllerFacts, Parameter } from './deviceProfile'

/** How one number of a controller is shown on its display. */
export interface ParameterView {
  readonly quantity: Quantity
  readonly label: string
  /** Smallest change that the display can show, in the unit shown. */
  readonly step: number
  readonly decimals: number
  /** What the keys let in, in the unit shown: on the step, within the leaflet's range. */
  readonly low: number
  readonly high: number
  readonly toShown: (si: number) => number
  readonly toSi: (shown: number) => number
  /** A number in the unit shown, as the display writes it. */
  readonly text: (shown: number) => string
  /** What a display shows for a number in the contract's unit: rounded to its step. */
  readonly shows: (si: number) => string
}

/** Steps of what is neither a temperature nor a difference and has none of its own. */
const usualSteps: Partial<Record<Quantity, number>> = { voltage: 0.1, current: 0.1, clock: 0.25 }

const decimalsOf = (step: number) => {
  const text = String(step)
  return text.includes('.') ? text.split('.')[1]!.length : 0
}

/**
 * The view of a number that a controller holds, in the units its display is set to.
 * The range is drawn in to whole steps, so that nothing is planned that the keys cannot reach.
 * @returns undefined for a parameter that is a choice
 */
export function parameterView(
  { quantity, step: own, low: lowSi, high: highSi }: Parameter,
  { display }: Pick<ControllerFacts, 'display'>,
  preferences: UnitPreferences,
): ParameterView | undefined {
  if (!quantity) return undefined
  const { label, toShown, toSi } = quantityView(quantity, preferences)
  const ofDegrees = quantity === 'temperature' || quantity === 'difference'
  const step =
    own ??
    (ofDegrees ? (preferences.temperatureUnit === 'F' ? display.stepF : display.stepC) : (usualSteps[quantity] ?? 1))
  const decimals = decimalsOf(step)
  const text = (shown: number) => (quantity === 'clock' ? clockText(shown) : shownText(shown, decimals))
  const inward = (value: number, way: 'ceil' | 'floor') =>
    roundToStep(Math[way](Number((value / step).toPrecision(12))) * step, step)
  return {
    quantity,
    label: quantity === 'clock' ? '' : label,
    step,
    decimals,
    low: lowSi === undefined ? -Infinity : inward(toShown(lowSi), 'ceil'),
    high: highSi === undefined ? Infinity : inward(toShown(highSi), 'floor'),
    toShown,
    toSi,
    text,
    shows: (si) => text(roundToStep(toShown(si), step)),
  }
}
