import { usualSwing } from '../../kinds/usualSwing'
import type { Behaviour } from '../../settings/behaviour'
import type { LoopDocument } from '../../document/documents'
import type { FieldData } from '../../plant/fieldValue'
import type { Quantity } from '../../units/quantity'
import { settingOf, type SweepSetting } from './sweep'

/** How far a setting is worth trying, and in what steps. */
interface SettingSpan {
  readonly low: number
  readonly high: number
  readonly step: number
  readonly quantity: Quantity
}

/** A set is tried this many swings to either side. */
const SET_SWINGS = 3

/**
 * Span of a setting that is worth trying: swings from half the lowest usual to twice the highest, rests up to fifteen minutes, a set some swings to
 * either side; always so wide that what is planned lies in it.
 */
export function settingSpan(
  loop: Pick<LoopDocument, 'kind' | 'survey'>,
  plan: Behaviour,
  setting: SweepSetting,
  data: FieldData,
): SettingSpan {
  const row = usualSwing(loop, data)
  const now = settingOf(plan, setting)
  const wide = (low: number, high: number, step: number, quantity: Quantity): SettingSpan => ({
    low: Math.min(low, now),
    high: Math.max(high, now),
    step,
    quantity,
  })
  switch (setting) {
    case 'swingK':
      return wide(
        Math.max(0.1, Math.floor(row.low * 5) / 10),
        Math.ceil(Math.max(row.high * 2, now * 1.5)),
        0.1,
        'difference',
      )
    case 'bandK':
      return wide(0.5, Math.max(8, Math.ceil(now * 2)), 0.1, 'difference')
    case 'minimumOffS':
      return wide(0, 900, 30, 'seconds')
    case 'integralS':
      return wide(0, 7200, 60, 'seconds')
    case 'minimumPercent':
      return wide(0, 60, 1, 'percent')
    case 'setpointC': {
      const away = Math.max(3, Math.ceil(SET_SWINGS * row.typical))
      return wide(Math.floor(now) - away, Math.ceil(now) + away, 0.1, 'temperature')
    }
  }
}

/** Evenly spaced values of a span, rounded to its step, both ends among them. */
export function spanValues({ low, high, step }: SettingSpan, count: number): readonly number[] {
  const values = Array.from({ length: count }, (_, i) => {
    const value = low + ((high - low) * i) / (count - 1)
    return Math.round(Math.round(value / step) * step * 1e6) / 1e6
  })
  return values.filter((value, i) => values.indexOf(value) === i)
}
