/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { render } from '@testing-library/react'
import type { Picture } from '@nachtigal/core/calc/picture'
import { calculations, drawPicture, runCalculation } from '@nachtigal/core/calc/registry'
import { calcData } from '@nachtigal/core/testing/calcData'
import type { ContactExpression } from '@nachtigal/core/wiring/contactLogic'
import { axisView } from './axisView'
import { BarsDrawing } from './BarsDrawing'
import { ContactsDrawing } from './ContactsDrawing'
import { MapDrawing } from './MapDrawing'
import { ScaleDrawing } from './ScaleDrawing'
import { WeekDrawing } from './WeekDrawing'

const metric = { temperatureUnit: 'C', system: 'metric' } as const
const us = { temperatureUnit: 'F', system: 'us' } as const

const drawn = calculations.flatMap((entry) =>
  entry.examples.flatMap(({ given }, i) => {
    const outcome = runCalculation(entry, given, calcData)
    const picture = outcome.ok ? drawPicture(entry, given, outcome.output, calcData) : null
    return picture && picture.kind !== 'lines' ? [[`${entry.id} ${i + 1}, ${picture.kind}`, picture] as const] : []
  }),
)

function draw(picture: Picture, preferences: typeof metric | typeof us) {
  switch (picture.kind) {
    case 'map':
      return <MapDrawing picture={picture} preferences={preferences} label="drawn" />
    case 'scale':
      return <ScaleDrawing picture={picture} preferences={preferences} label="drawn" />
    case 'bars':
      return <BarsDrawing picture={picture} preferences={preferences} label="drawn" />
    case 'week':
      return <WeekDrawing picture={picture} label="drawn" />
    case 'contacts':
      return <ContactsDrawing expression={picture.expression as ContactExpression} label="drawn" />
    case 'lines':
      throw new Error('curves are drawn on a canvas')
  }
}

/** Places of everything that has one, within the picture's own frame. */
function places(svg: SVGSVGElement) {
  const [, , width, height] = svg.getAttribute('viewBox')!.split(' ').map(Number)
  const texts = [...svg.querySelectorAll('text')].filter((text) => !text.closest('g[transform]'))
  return {
    width: width!,
    height: height!,
    texts: texts.map((text) => [Number(text.getAttribute('x')), Number(text.getAttribute('y'))] as const),
  }
}

describe('drawings', () => {
  it('are there for scales, maps, bars, weeks and contacts', () =>
    expect(new Set(drawn.map(([, { kind }]) => kind))).toEqual(new Set(['scale', 'map', 'bars', 'week', 'contacts'])))
  it.each(drawn)('%s: named, of numbers, and inside its frame', (_, picture) => {
    for (const preferences of [metric, us]) {
      const { container, unmount } = render(draw(picture, preferences))
      const svg = container.querySelector('svg')!
      expect(svg.getAttribute('role')).toBe('img')
      expect(svg.getAttribute('aria-label')).toBe('drawn')
      expect(container.innerHTML).not.toMatch(/NaN|Infinity|undefined/)
      const { width, height, texts } = places(svg)
      for (const [x, y] of texts) {
        expect(x).toBeGreaterThanOrEqual(0)
        expect(x).toBeLessThanOrEqual(width)
        expect(y).toBeGreaterThan(0)
        expect(y).toBeLessThanOrEqual(height)
      }
      unmount()
    }
  })
  it('a scale shows the points in the user\u2019s degrees', () => {
    const picture: Picture = {
      kind: 'scale',
      axis: { title: 'Temperature', quantity: 'temperature' },
      marks: [
        { title: 'on', at: 20, look: 'on' },
        { title: 'off', at: 21, look: 'off' },
      ],
      bands: [{ title: 'swing', from: 20, to: 21, look: 'heat' }],
    }
    expect(render(draw(picture, us)).container.textContent).toContain('on 68.0')
    expect(render(draw(picture, metric)).container.textContent).toContain('off 21.0')
  })
  it('names that a user gave stay text, and long ones are cut', () => {
    const { container } = render(
      <ContactsDrawing expression={{ or: ['<b>x</b>', 'a name that is far too long'] }} label="drawn" />,
    )
    expect(container.querySelector('b')).toBeNull()
    expect(container.textContent).toContain('<b>x</b>')
    expect(container.textContent).toContain('a name that is\u2026')
  })
  it('an axis of differences has no offset', () => {
    expect(axisView({ title: 'Off by', quantity: 'difference' }, us).toShown(5)).toBeCloseTo(9, 9)
    expect(axisView({ title: 'Supply', quantity: 'temperature' }, us).toShown(5)).toBeCloseTo(41, 9)
    expect(axisView({ title: 'Signal', quantity: 'factor', unit: 'mA' }, us).title).toBe('Signal, mA')
  })
})
