import { choice, filled, instant, maybe, number, record, text, whole } from '../../schema/field'
import { unitLabels } from '../../units/quantity'

/** What was typed, as typed, its unit, and its value in the contract's unit where it is one. */
export const readingParts = {
  text: text('as typed', 60),
  unit: choice('unit', unitLabels),
  state: choice('state', ['value', 'over-range', 'none'], { 'over-range': 'over-range', none: 'no reading' }),
  value: maybe(number('value', 'factor')),
  at: instant('read'),
  by: filled('by', 80),
}

export const readingRecord = whole(record('reading', readingParts))

/** A value as a controller shows it; left other than planned it has a reason. */
export const settingReadingRecord = whole(record('value', { ...readingParts, why: maybe(text('why', 400)) }))

/** What a meter reads between two points: nothing to all that it shows. */
export const measuredOhm = number('resistance', 'resistance', { min: 0, max: 1e12 })
