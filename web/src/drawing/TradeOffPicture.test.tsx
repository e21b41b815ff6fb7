/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { type TradeDrawing, TradeOffPicture } from './TradeOffPicture'

beforeEach(() => {
  jest.useFakeTimers()
  SVGElement.prototype.getBoundingClientRect = () => new DOMRect(0, 0, 460, 440)
  SVGElement.prototype.setPointerCapture = () => undefined
})
afterEach(() => {
  cleanup()
  jest.useRealTimers()
})

const values: TradeDrawing = {
  ...{ title: 'Swing', unit: 'K', low: 0.5, high: 8, step: 0.1, decimals: 1, now: 1 },
  offer: 1.8,
  all: [[1.5, 2.2]],
  lanes: [
    {
      ...{
        id: 'starts',
        title: 'Starts an hour',
        boundTitle: 'allowed 4',
        bound: 4,
        here: 4.1,
        hereText: '4.1',
        keeps: false,
      },
      lines: [
        {
          look: 'main',
          spots: [
            [0.5, 5],
            [1, 4.1],
            [8, 1],
          ],
        },
        {
          look: 'other',
          spots: [
            [0.5, 4],
            [8, 0.5],
          ],
        },
      ],
    },
    {
      id: 'energy',
      title: 'Heat',
      here: 20,
      hereText: '20 kWh',
      lines: [
        {
          look: 'main',
          spots: [
            [0.5, 20],
            [8, 20],
          ],
        },
      ],
    },
  ],
  bars: [
    { id: 'starts', title: 'starts', ranges: [[1.1, 8]] },
    { id: 'stray', title: 'strays', ranges: [] },
  ],
}

function show(shown: Partial<TradeDrawing> = {}) {
  const moves: [number, boolean][] = []
  render(
    <TradeOffPicture
      values={{ ...values, ...shown }}
      label="Swing across"
      compact={false}
      onMove={(value, done) => moves.push([Number(value.toFixed(3)), done])}
    />,
  )
  return moves
}
const thumb = () => screen.getByRole('slider', { name: 'Swing' })
const pointer = (target: Element, type: string, clientX: number) =>
  fireEvent(target, Object.assign(new MouseEvent(type, { bubbles: true, clientX, clientY: 380 }), { pointerId: 1 }))

describe('what a setting costs, drawn', () => {
  it('says what it stands at, between what can be tried', () => {
    show()
    expect(thumb().getAttribute('aria-valuetext')).toBe('1.0 K')
    expect(thumb().getAttribute('aria-valuemin')).toBe('0.5')
    expect(thumb().getAttribute('aria-valuemax')).toBe('8')
  })
  it('a key moves it by the step of its controller, and is kept once the keys rest', () => {
    const moves = show()
    fireEvent.keyDown(thumb(), { key: 'ArrowRight' })
    expect(moves).toEqual([[1.1, false]])
    act(() => jest.advanceTimersByTime(700))
    expect(moves).toEqual([
      [1.1, false],
      [1.1, true],
    ])
  })
  it('dragged it follows the hand along a scale that widens, on the step, never off its ends', () => {
    const moves = show()
    const at = (value: number) => 64 + ((460 - 28 - 64) * Math.log(value / 0.5)) / Math.log(16)
    pointer(thumb(), 'pointerdown', at(1))
    pointer(thumb(), 'pointermove', at(2))
    pointer(thumb(), 'pointermove', 2000)
    pointer(thumb(), 'pointerup', at(4) + 1)
    expect(moves).toEqual([
      [2, false],
      [8, false],
      [4, true],
    ])
  })
  it('judges by more than its colour, and says where nothing keeps a wish', () => {
    const { container } = render(<TradeOffPicture values={values} label="x" compact={false} onMove={() => undefined} />)
    expect(container.querySelector('[data-lane="starts"]')!.getAttribute('data-keeps')).toBe('false')
    expect(container.querySelector('[data-lane="energy"]')!.hasAttribute('data-keeps')).toBe(false)
    expect(container.textContent).toContain('none')
    expect(container.textContent).toContain('allowed 4')
  })
  it('a span that begins at nothing is straight', () => {
    const moves = show({
      low: 0,
      high: 900,
      step: 30,
      now: 180,
      decimals: 0,
      unit: 's',
      all: [],
      offer: undefined,
      bars: [],
    })
    const at = (value: number) => 64 + ((460 - 28 - 64) * value) / 900
    pointer(thumb(), 'pointerdown', at(180))
    pointer(thumb(), 'pointerup', at(450))
    expect(moves).toEqual([[450, true]])
  })
})
