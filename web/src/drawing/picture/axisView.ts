import type { Axis } from '@nachtigal/core/calc/picture'
import { quantityView, shownText, type UnitPreferences } from '@nachtigal/core/units/quantity'

/** An axis in the user's units: its name with the unit, and how to get there. */
export function axisView({ title, quantity, unit }: Axis, preferences: UnitPreferences) {
  const view = quantityView(quantity, preferences)
  const label = unit ?? view.label
  return {
    title: label === '' ? title : `${title}, ${label}`,
    label,
    toShown: view.toShown,
    say: (si: number) => `${shownText(view.toShown(si), view.decimals)}${label === '' ? '' : `\u00a0${label}`}`,
  }
}
