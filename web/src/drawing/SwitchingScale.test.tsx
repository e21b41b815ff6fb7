/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { SwitchingScale } from './SwitchingScale'
import type { ScalePart, ScaleValues, Rung } from './scaleValues'

beforeEach(() => {
  jest.useFakeTimers()
  // The page of the tests lays nothing out: the drawing is taken to be shown at its own size.
  SVGElement.prototype.getBoundingClientRect = () => new DOMRect(0, 0, 760, 440)
  SVGElement.prototype.setPointerCapture = () => undefined
})
afterEach(() => {
  cleanup()
  jest.useRealTimers()
})

const heating: Rung = { id: 'p1', stage: 1, action: 'heating', set: 28, on: 27, off: 28, moves: 'M1' }
const floor: ScaleValues = { rungs: [heating], lowest: 10, highest: 29, alarm: 32 }
const one = (change: Partial<Rung>): Partial<ScaleValues> => ({ rungs: [{ ...heating, ...change }] })
type Moves = [ScalePart, number, boolean][]

function scale(changes: Partial<ScaleValues> = {}, props: Partial<Parameters<typeof SwitchingScale>[0]> = {}) {
  const moves: Moves = []
  const made = render(
    <SwitchingScale
      values={{ ...floor, ...changes }}
      unit="°C"
      differenceUnit="K"
      step={0.1}
      marks={{}}
      moves="moves cut-in and cut-out"
      compact={false}
      onMove={(part, _rung, value, done) => moves.push([part, value, done])}
      {...props}
    />,
  )
  const part = (name: string) => screen.getByRole('slider', { name })
  const press = (name: string, key: string, shiftKey = false) => fireEvent.keyDown(part(name), { key, shiftKey })
  const rest = () => act(() => jest.advanceTimersByTime(700))
  return { ...made, moves, part, press, rest }
}

describe('what stands on the scale', () => {
  it('has a handle for every part, each telling its value to a reader', () => {
    scale()
    expect(screen.getAllByRole('slider').map((handle) => handle.getAttribute('aria-label'))).toEqual([
      'Both switching points',
      'Cut-out',
      'Cut-in',
      'Lowest setpoint',
      'Highest setpoint',
      'High alarm',
      'Setpoint',
    ])
    expect(screen.getByRole('slider', { name: 'Cut-in' }).getAttribute('aria-valuetext')).toBe('27.0 °C')
  })
  it('leaves out what the plan does not have', () => {
    scale({ lowest: undefined, highest: undefined, alarm: undefined })
    expect(screen.queryByRole('slider', { name: 'High alarm' })).toBeNull()
    expect(screen.getAllByRole('slider')).toHaveLength(4)
  })
  it.each([
    ['heating', 'Heats', -1],
    ['cooling', 'Cools', 1],
  ] as const)('%s stands on its own side of the scale', (action, word, side) => {
    const { container } = scale(action === 'cooling' ? one({ action, on: 28, off: 27 }) : {})
    const title = screen.getByText(word)
    const rule = Number(container.querySelector('svg > rect')!.getAttribute('x'))
    expect(Math.sign(Number(title.getAttribute('x')) - rule)).toBe(side)
  })
  it('draws a warmer point higher', () => {
    const { container } = scale()
    const height = (text: string) =>
      Number([...container.querySelectorAll('text')].find((t) => t.textContent?.startsWith(text))!.getAttribute('y'))
    expect(height('32.0')).toBeLessThan(height('28.0'))
    expect(height('28.0')).toBeLessThan(height('27.0'))
  })
  it('writes a true minus', () => {
    scale({ ...one({ set: -4, on: -5, off: -4 }), lowest: -10, highest: 0, alarm: 2 })
    expect(screen.getByRole('slider', { name: 'Cut-in' }).getAttribute('aria-valuetext')).toBe('\u22125.0 °C')
  })
  it('marks a part by a sentence, and the bar by its shape', () => {
    const { container } = scale({}, { marks: { 'p1/bar': 'Swing is narrower than the display resolves.' } })
    expect(screen.getByRole('slider', { name: 'Both switching points' }).getAttribute('aria-valuetext')).toContain(
      'narrower',
    )
    expect([...container.querySelectorAll('path')].some((path) => path.getAttribute('fill') === 'var(--look)')).toBe(
      true,
    )
  })
  it('pins a far limit to the end of the scale and still says its value', () => {
    scale()
    const { textContent } = screen.getByRole('slider', { name: 'Lowest setpoint' })
    expect(textContent).toContain('10.0')
    expect(Number(screen.getByRole('slider', { name: 'Setpoint' }).getAttribute('aria-valuemin'))).toBeGreaterThan(20)
  })
})

describe('keys', () => {
  it.each([
    ['Cut-in', 'ArrowDown', false, 'on', 26.9],
    ['Cut-in', 'ArrowUp', true, 'on', 28],
    ['Cut-out', 'ArrowUp', false, 'off', 28.1],
    ['Setpoint', 'ArrowDown', true, 'set', 27],
    ['Both switching points', 'ArrowUp', false, 'bar', 28.1],
    ['Highest setpoint', 'PageUp', false, 'highest', 30],
    ['High alarm', 'ArrowUp', false, 'alarm', 32.1],
  ] as const)('%s, %s, Shift %s: %s goes to %d', (name, key, shift, part, value) => {
    const { moves, press } = scale()
    press(name, key, shift)
    expect(moves).toEqual([[part, value, false]])
  })
  it('tells the log once the hand rests, not at each key', () => {
    const { moves, press, rest } = scale()
    press('Cut-in', 'ArrowDown')
    press('Cut-in', 'ArrowDown')
    expect(moves.filter(([, , done]) => done)).toEqual([])
    rest()
    expect(moves.filter(([, , done]) => done)).toHaveLength(1)
  })
  it('does nothing on other keys', () => {
    const { moves, press, rest } = scale()
    press('Setpoint', 'a')
    press('Setpoint', 'Enter')
    rest()
    expect(moves).toEqual([])
  })
  it('moves by the display step of the controller', () => {
    const { moves, press } = scale({}, { step: 0.5 })
    press('Setpoint', 'ArrowUp')
    expect(moves[0]).toEqual(['set', 28.5, false])
  })
})

describe('dragging', () => {
  // jsdom knows no pointer events: a mouse event by that name carries what is read of them.
  const pointer = (target: Element, type: string, clientY: number) =>
    fireEvent(target, Object.assign(new MouseEvent(type, { bubbles: true, clientY }), { pointerId: 1 }))

  it('follows the hand in steps and tells the log when it is let go', () => {
    const { moves, part } = scale()
    pointer(part('Cut-in'), 'pointerdown', 300)
    pointer(part('Cut-in'), 'pointermove', 340)
    pointer(part('Cut-in'), 'pointerup', 340)
    const [first, last] = [moves[0]!, moves.at(-1)!]
    expect(first[0]).toBe('on')
    expect(first[1]).toBeLessThan(27)
    expect(Math.abs(first[1] * 10 - Math.round(first[1] * 10))).toBeLessThan(1e-9)
    expect([first[2], last[2]]).toEqual([false, true])
  })
  it('does not move without being held', () => {
    const { moves, part } = scale()
    pointer(part('Setpoint'), 'pointermove', 100)
    pointer(part('Setpoint'), 'pointerup', 100)
    expect(moves).toEqual([])
  })
  it('gives up when the pointer is taken away', () => {
    const { moves, part } = scale()
    pointer(part('Setpoint'), 'pointerdown', 200)
    pointer(part('Setpoint'), 'pointercancel', 200)
    pointer(part('Setpoint'), 'pointermove', 100)
    expect(moves).toEqual([])
  })
})
