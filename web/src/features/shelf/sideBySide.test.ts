import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import type { LeafletSection } from '@nachtigal/core/device/leaflet'
import { sideBySide } from './sideBySide'

const section = (title: string, ...rows: [string, string][]): LeafletSection => ({
  title,
  rows: rows.map(([label, text]) => ({ label, text })),
})

describe('sideBySide', () => {
  it('puts lines of one section and label beside one another, and leaves the other side empty where it has none', () => {
    expect(
      sideBySide(
        [section('Outside', ['Size', '86 mm'], ['Mount', 'wall'])],
        [section('Outside', ['Size', '90 mm']), section('Load', ['Starts at most', '6'])],
      ),
    ).toEqual([
      { title: 'Outside', label: 'Size', a: '86 mm', b: '90 mm' },
      { title: 'Outside', label: 'Mount', a: 'wall', b: '' },
      { title: 'Load', label: 'Starts at most', a: '', b: '6' },
    ])
  })
  it('pairs a label that stands twice in its order', () => {
    expect(
      sideBySide([section('Out', ['contact', '1'], ['contact', '2'])], [section('Out', ['contact', '3'])]).map(
        ({ a, b }) => [a, b],
      ),
    ).toEqual([
      ['1', '3'],
      ['2', ''],
    ])
  })
  it('loses no line of either', () => {
    const sections = fc
      .uniqueArray(fc.constantFrom('A', 'B', 'C'))
      .chain((titles) =>
        fc.tuple(
          ...titles.map((title) =>
            fc
              .array(fc.tuple(fc.constantFrom('x', 'y'), fc.string({ minLength: 1 })))
              .map((rows) => section(title, ...rows)),
          ),
        ),
      )
    const texts = (of: readonly LeafletSection[]) => of.flatMap(({ rows }) => rows.map(({ text }) => text)).sort()
    fc.assert(
      fc.property(sections, sections, (one, other) => {
        const rows = sideBySide(one, other)
        expect(rows.flatMap(({ a }) => (a === '' ? [] : [a])).sort()).toEqual(texts(one))
        expect(rows.flatMap(({ b }) => (b === '' ? [] : [b])).sort()).toEqual(texts(other))
      }),
    )
  })
})
