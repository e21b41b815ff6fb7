import { parseQuantity } from './parseQuantity'
import { plainDigits } from './plainDigits'
import { type Quantity, quantityView, type UnitPreferences } from './quantity'

/** Digits that are kept of a figure that was typed in another unit: an instrument reads no more. */
const DIGITS = 5

/** A figure as it is kept. */
export interface KeptFigure {
  readonly text: string
  readonly unit: string
  /** In the unit of the store; left out where the text is no figure. */
  readonly value?: number
}

/**
 * A figure as it is kept of a reading: as it was typed, in the unit of its field; what was typed with a unit of its own stands in that of
 * the field, so that one column shows one unit.
 * @example keptFigure('82.9 °F', 'temperature', { temperatureUnit: 'C', system: 'metric' }).text // '28.278'
 */
export function keptFigure(text: string, quantity: Quantity, preferences: UnitPreferences): KeptFigure {
  const view = quantityView(quantity, preferences)
  const read = parseQuantity(text, quantity, preferences)
  if (!read.ok) return { text, unit: view.label }
  return {
    text: read.along ? plainDigits(view.toShown(read.si), DIGITS) : text,
    unit: view.label,
    value: read.si,
  }
}
