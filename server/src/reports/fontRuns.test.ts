import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { createRequire } from 'node:module'
import { openSync } from 'fontkit'
import { inFallbackFace } from './fallbackSigns'
import { drawable, fontRuns, NO_SIGN } from './fontRuns'

describe('fontRuns', () => {
  it.each([
    ['plain', [{ text: 'plain' }]],
    ['X1 → A1', [{ text: 'X1 ' }, { text: '→', font: 'Fallback' }, { text: ' A1' }]],
    ['≤ 0.5 Ω', [{ text: '≤', font: 'Fallback' }, { text: ' 0.5 ' }, { text: 'Ω', font: 'Fallback' }]],
    ['−4 °C ± 1', [{ text: '−4 °C ± 1' }]],
    ['Łódź', [{ text: 'Ł', font: 'Fallback' }, { text: 'ód' }, { text: 'ź', font: 'Fallback' }]],
    ['', []],
  ])('%s', (text, runs) => expect(fontRuns(text)).toEqual(runs))
  it('loses and reorders nothing that can be drawn', () =>
    fc.assert(
      fc.property(
        fc.string({ unit: 'grapheme' }),
        (text) =>
          fontRuns(text)
            .map((run) => run.text)
            .join('') === drawable(text),
      ),
    ))
})

describe('drawable', () => {
  it.each([
    ['what both faces have stays', 'Łódź → X1', 'Łódź → X1'],
    ['an emoji is one empty box', 'Seals 🦭', `Seals ${NO_SIGN}`],
    ['also one made of several signs', 'by 👩‍🔧', `by ${NO_SIGN}`],
    ['marks of direction are not drawn', 'a\u200fb', 'ab'],
    ['a line stays a line', 'a\nb', 'a\nb'],
  ])('%s', (_, given, drawn) => expect(drawable(given)).toBe(drawn))
  it('leaves nothing that neither face has', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (text) =>
        [...drawable(text)].every(
          (each) =>
            /\s/.test(each) ||
            each.codePointAt(0)! <= 0xff ||
            '–—‘’‚“”„†‡•…‰‹›€™−ŒœŠšŽžŸ'.includes(each) ||
            inFallbackFace(each.codePointAt(0)!),
        ),
      ),
    ))
})

describe('inFallbackFace', () => {
  const faces = ['DejaVuSans', 'DejaVuSans-Bold'].map((name) => {
    const font = openSync(createRequire(import.meta.url).resolve(`dejavu-fonts-ttf/ttf/${name}.ttf`))
    if (!('characterSet' in font)) throw new Error('a collection of fonts')
    return new Set(font.characterSet)
  })
  it('knows exactly what both weights draw', () => {
    const wrong = []
    for (let codePoint = 0x20; codePoint < 0x20000; codePoint++)
      if (inFallbackFace(codePoint) !== faces.every((face) => face.has(codePoint))) wrong.push(codePoint.toString(16))
    expect(wrong).toEqual([])
  })
})
