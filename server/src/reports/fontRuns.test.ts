import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { fontRuns } from './fontRuns'

describe('fontRuns', () => {
  it.each([
    ['plain', [{ text: 'plain' }]],
    ['X1 → A1', [{ text: 'X1 ' }, { text: '→', font: 'Fallback' }, { text: ' A1' }]],
    ['≤ 0.5 Ω', [{ text: '≤', font: 'Fallback' }, { text: ' 0.5 ' }, { text: 'Ω', font: 'Fallback' }]],
    ['−4 °C ± 1', [{ text: '−4 °C ± 1' }]],
    ['Łódź', [{ text: 'Ł', font: 'Fallback' }, { text: 'ód' }, { text: 'ź', font: 'Fallback' }]],
    ['', []],
  ])('%s', (text, runs) => expect(fontRuns(text)).toEqual(runs))
  it('loses and reorders nothing', () =>
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme' }),
        (text) =>
          fontRuns(text)
            .map((run) => run.text)
            .join('') === text,
      ),
    ))
})
