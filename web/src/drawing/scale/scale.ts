import type { useHandles } from '../useHandles'
import type { ScalePart, Rung } from '../scaleValues'
import type { ScaleLayout } from './scaleLayout'

/** The colour of what a stage does. */
export const tintOf = { heating: 'var(--heat)', cooling: 'var(--cold)' } as const

/** What a reader calls the parts of the scale. */
export const partNames = {
  set: 'Setpoint',
  on: 'Cut-in',
  off: 'Cut-out',
  bar: 'Both switching points',
  lowest: 'Lowest setpoint',
  highest: 'Highest setpoint',
  alarm: 'High alarm',
  alarmLow: 'Low alarm',
} as const

type Handle = ReturnType<typeof useHandles>['handle']

/** The scale as its pieces are drawn on it: where things stand, and how a hand holds them. */
export interface Scale extends ScaleLayout {
  readonly unit: string
  readonly differenceUnit: string
  readonly marks: Readonly<Record<string, string>>
  readonly handle: Handle
  /** A part that is moved along the scale. */
  readonly sliding: (
    part: ScalePart,
    rung: string,
    label: string,
    value: number,
    mark: string | undefined,
  ) => ReturnType<Handle>
}

/** What a reader calls a part of a rung. */
export function rungName({ single, both }: ScaleLayout, rung: Rung, part: 'on' | 'off' | 'bar'): string {
  const of = `${both ? (rung.action === 'heating' ? 'Heating' : 'Cooling') : 'Stage'} ${rung.stage}`
  return single ? partNames[part] : `${of}, ${partNames[part].toLowerCase()}`
}
