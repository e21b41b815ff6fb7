import { describe, expect, it } from '@jest/globals'
import { findAction } from '@nachtigal/core/actions/registry'
import { inputRefusal } from './inputRefusal'

const refused = (id: string, input: unknown) => inputRefusal(findAction(id)!, input)

describe('the input of an action', () => {
  it.each([
    ['answer-questions', { answers: { probePlace: 'screed', areaM2: 20 } }],
    ['answer-questions', { answers: {}, none: ['areaM2'] }],
    ['write-box', { box: { heightM: 0.6 } }],
    ['key-values', { side: 'asLeft', device: 'device-1', none: ['gap'] }],
    [
      'take-readings',
      {
        test: 'live',
        readings: [{ text: '', unit: '', state: 'none', at: '2026-01-05T08:00:00.000Z', by: 'A', step: 's' }],
      },
    ],
    ['set-plant-value', { row: 'cap.screed' }],
  ])('%s takes %j', (id, input) => expect(refused(id, input)).toBeUndefined())
  it.each([
    ['answer-questions', { none: [] }, 'answers', 'is missing'],
    ['answer-questions', { answers: {}, none: 'areaM2' }, 'none', 'none'],
    ['take-readings', { test: 'live', readings: [] }, 'readings', '1 entries or more'],
    ['rename-loop', { name: '' }, 'name', 'name'],
    ['rename-loop', { name: 'x', other: 1 }, '', 'unknown fields: other'],
    ['set-plant-value', { row: 'cap.screed', value: 0 }, 'value', 'over 0'],
    ['put-temporary', { kind: 'glue', what: 'x' }, 'kind', 'must be one of bridge'],
  ])('%s refuses %j by the field', (id, input, field, says) => {
    const wrong = refused(id, input)
    expect(wrong?.field).toBe(field)
    expect(wrong?.message).toContain(says)
  })
})
