/** @jest-environment jsdom */
import { afterEach, beforeEach, describe, expect, it, jest } from '@jest/globals'
import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { BandChart } from './BandChart'
import { BatteryScale } from './BatteryScale'
import { FanMap } from './FanMap'
import { SwitchingScale } from './SwitchingScale'
import type { Rung } from './scaleValues'
import { ResetLine } from './ResetLine'
import { SpanStrip } from './SpanStrip'
import { WeekStrip } from './WeekStrip'

beforeEach(() => {
  jest.useFakeTimers()
  SVGElement.prototype.getBoundingClientRect = () => new DOMRect(0, 0, 760, 440)
  SVGElement.prototype.setPointerCapture = () => undefined
})
afterEach(() => {
  cleanup()
  jest.useRealTimers()
})

const slider = (name: string | RegExp) => screen.getByRole('slider', { name })
const press = (name: string | RegExp, key: string, shiftKey = false) =>
  fireEvent.keyDown(slider(name), { key, shiftKey })
const rest = () => act(() => jest.advanceTimersByTime(700))
// jsdom knows no pointer events: a mouse event by that name carries what is read of them.
const pointer = (target: Element, type: string, clientX: number, clientY: number) =>
  fireEvent(target, Object.assign(new MouseEvent(type, { bubbles: true, clientX, clientY }), { pointerId: 1 }))
function drag(name: string | RegExp, from: readonly [number, number], to: readonly [number, number]) {
  pointer(slider(name), 'pointerdown', ...from)
  pointer(slider(name), 'pointermove', ...to)
  pointer(slider(name), 'pointerup', ...to)
}

describe('the switching points of four stages', () => {
  const rungs: Rung[] = [-6, -5, -4, -3].map((off, i) => ({
    id: `s${i + 1}`,
    stage: i + 1,
    action: 'cooling',
    set: off,
    off,
    on: off + 1.5,
    moves: `K${i + 1}`,
  }))
  const show = (props: Partial<Parameters<typeof SwitchingScale>[0]> = {}) => {
    const moves: [string, string, number, boolean][] = []
    render(
      <SwitchingScale
        values={{
          rungs,
          highest: -2,
          alarm: 1,
          ice: -10.4,
          pointer: -4.3,
          cutOuts: [{ tag: 'S2', at: -9, opens: 'fall' }],
        }}
        running={new Set(['s1', 's2'])}
        unit="°C"
        differenceUnit="K"
        step={0.1}
        marks={{ 's2/bar': 'Stage 2 comes before stage 1.' }}
        moves="moves all 4 stages; limits stay"
        compact={false}
        onPointer={() => undefined}
        onMove={(...move) => moves.push(move)}
        {...props}
      />,
    )
    return moves
  }
  it('has a handle for each point of each stage, one notch, and the pointer', () => {
    show()
    expect(screen.getAllByRole('slider')).toHaveLength(4 * 3 + 1 + 1 + 2)
    expect(slider('Stage 3, cut-in').getAttribute('aria-valuetext')).toBe('\u22122.5 °C')
    expect(slider('Setpoint, all stages').getAttribute('aria-valuetext')).toBe('\u22126.0 °C')
  })
  it('tells what is wrong at the rung itself', () => {
    show()
    expect(slider('Stage 2, both switching points').getAttribute('aria-valuetext')).toContain('comes before stage 1')
  })
  it('says which stage moved, and the notch as the first', () => {
    const moves = show()
    press('Stage 3, cut-in', 'ArrowUp')
    press('Setpoint, all stages', 'ArrowDown', true)
    expect(moves.map(([part, id, value]) => [part, id, Number(value.toFixed(3))])).toEqual([
      ['on', 's3', -2.4],
      ['set', 's1', -7],
    ])
  })
  it('draws the columns away from the rule, warmer higher', () => {
    show()
    const x = (n: number) => Number(screen.getByText(`Stage ${n}`).getAttribute('x') ?? 0)
    expect([x(2) > x(1), x(4) > x(3)]).toEqual([true, true])
  })
  it('names ice and what opens by itself to a reader', () => {
    show()
    expect(screen.getByRole('img', { name: 'Ice under \u221210.4 °C' })).toBeTruthy()
    expect(screen.getByRole('img', { name: 'S2 opens under \u22129.0 °C' })).toBeTruthy()
  })
  it('hatches where heating and cooling fight', () => {
    show({
      values: {
        rungs: [rungs[0]!, { id: 'h', stage: 1, action: 'heating', set: -5, on: -6.5, off: -5, moves: 'E1' }],
        fights: [{ from: -6, to: -5 }],
      },
    })
    expect(screen.getByRole('img', { name: /fight from \u22126\.0 to \u22125\.0/ })).toBeTruthy()
    expect(slider('Heating 1, cut-out')).toBeTruthy()
  })
  it('on a phone spells out the chosen stage alone', () => {
    show({ compact: true, chosen: 's2' })
    expect(slider('Stage 2, cut-in').textContent).toContain('\u22123.5')
    expect(slider('Stage 3, cut-in').textContent).toBe('')
  })
})

describe('the reset line', () => {
  const show = () => {
    const moves: [string, { x: number; y: number }, boolean][] = []
    const line = [
      [-14, 66],
      [16, 30],
    ] as const
    render(
      <ResetLine
        values={{
          design: [-14, 66],
          warm: [16, 30],
          minimum: 25,
          maximum: 70,
          shutdown: 17,
          line,
          setback: [],
          need: line,
          returns: [
            [-14, 51],
            [16, 28],
          ],
          returnLimit: 55,
          condensing: true,
          fixed: 68,
          now: [3, 45],
          hours: [{ from: 0, to: 2, hours: 400 }],
        }}
        unit="°C"
        step={0.5}
        compact={false}
        marks={{}}
        onMove={(...move) => moves.push(move)}
      />,
    )
    return moves
  }
  it('moves a corner both ways by keys', () => {
    const moves = show()
    press('Design point', 'ArrowRight')
    press('Design point', 'ArrowUp', true)
    expect(moves).toEqual([
      ['design', { x: -13.5, y: 66 }, false],
      ['design', { x: -14, y: 71 }, false],
    ])
    rest()
    expect(moves.at(-1)![2]).toBe(true)
  })
  it('the summer stop goes along the outdoors alone', () => {
    const moves = show()
    press('Summer stop', 'ArrowUp')
    expect(moves[0]).toEqual(['shutdown', { x: 17.5, y: 0 }, false])
  })
  it('follows a hand in steps', () => {
    const moves = show()
    drag('Warm point', [600, 300], [560, 260])
    const [, to] = moves.at(-1)!
    expect(to.x).toBeLessThan(16)
    expect(to.y).toBeGreaterThan(30)
    expect([to.x * 2, to.y * 2].every((v) => Math.abs(v - Math.round(v)) < 1e-9)).toBe(true)
  })
  it('tells both numbers of a point, today, and the return', () => {
    show()
    expect(slider('Design point').getAttribute('aria-valuetext')).toBe('\u221214.0 outdoors, 66.0 °C supply')
    expect(screen.getByRole('img', { name: 'Now 3.0 °C outdoors, 45.0 °C asked for' })).toBeTruthy()
    expect(screen.getByRole('img', { name: 'Return, coolest 28.0 °C' })).toBeTruthy()
  })
})

describe('the band', () => {
  const show = () => {
    const moves: [string, { x: number; y: number }, boolean][] = []
    render(
      <BandChart
        values={{
          action: 'heating',
          set: 21,
          zero: 22,
          full: 20,
          minimum: 0,
          maximum: 100,
          corners: [
            [23, 0],
            [22, 0],
            [20, 100],
            [19, 100],
          ],
          rest: { at: 20.6, percent: 70 },
        }}
        unit="°C"
        step={0.1}
        measured={(percent) => `${percent / 10} V`}
        measuredTitle="0–10 V"
        compact={false}
        marks={{}}
        onMove={(...move) => moves.push(move)}
      />,
    )
    return moves
  }
  it('drags both ends, the setpoint, least and most', () => {
    const moves = show()
    for (const name of ['Nothing at', 'Full at', 'Setpoint']) press(name, 'ArrowRight')
    press('Most output', 'ArrowDown', true)
    press('Least output', 'ArrowDown')
    expect(moves.map(([handle, { x, y }]) => [handle, Number(x.toFixed(1)), y])).toEqual([
      ['zero', 22.1, 0],
      ['full', 20.1, 0],
      ['set', 21.1, 0],
      ['maximum', 0, 90],
      ['minimum', 0, 0],
    ])
  })
  it('shows where it rests, and what a meter reads there', () => {
    show()
    expect(screen.getByRole('img', { name: 'Settles at 20.6 °C, 70 %' })).toBeTruthy()
    expect(screen.getByText('5 V')).toBeTruthy()
  })
})

describe('the fan map', () => {
  it('moves where it begins in both demands, and the point', () => {
    const moves: [string, { x: number; y: number }, boolean][] = []
    render(
      <FanMap
        low={18}
        high={30}
        lowPercent={55}
        highPercent={90}
        cells={[
          [
            { percent: 40, command: 'humidity' },
            { percent: 80, command: 'temperature' },
          ],
        ]}
        set={22}
        full={26}
        humiditySet={70}
        humidityFull={80}
        here={{ x: 23, y: 72, says: '25 %, temperature asks' }}
        unit="°C"
        step={0.5}
        compact={false}
        onMove={(...move) => moves.push(move)}
      />,
    )
    press('Where it begins', 'ArrowUp')
    press('Working point', 'ArrowLeft')
    expect(moves.map(([handle, to]) => [handle, to])).toEqual([
      ['set', { x: 22, y: 71 }],
      ['here', { x: 22.5, y: 72 }],
    ])
    expect(slider('Working point').getAttribute('aria-valuetext')).toContain('temperature asks')
  })
})

describe('the week strip', () => {
  const show = () => {
    const told: [string, string, number, boolean][] = []
    render(
      <WeekStrip
        bars={[0, 1].map((day) => ({ id: 'p', day, from: 360, to: 420, starts: true, ends: true }))}
        chosen="p"
        clashing={new Set(['p'])}
        titles={{ p: 'Period 1' }}
        stepMin={15}
        compact={false}
        onChoose={() => undefined}
        startOf={() => 360}
        lengthOf={() => 60}
        onStart={(id, minutes, done) => told.push(['start', id, minutes, done])}
        onLength={(id, minutes, done) => told.push(['length', id, minutes, done])}
      />,
    )
    return told
  }
  it('has one start and one run time for each period, whatever the days', () => {
    show()
    expect(screen.getAllByRole('slider').map((each) => each.getAttribute('aria-label'))).toEqual([
      'Period 1, start',
      'Period 1, run time',
    ])
    expect(slider('Period 1, start').getAttribute('aria-valuetext')).toBe('06:00, overlaps another')
  })
  it('moves by a quarter of an hour, and keeps once the hand rests', () => {
    const told = show()
    press('Period 1, start', 'ArrowRight')
    press('Period 1, run time', 'ArrowLeft')
    rest()
    expect(told).toEqual([
      ['start', 'p', 375, false],
      ['length', 'p', 45, false],
      ['length', 'p', 45, true],
    ])
  })
})

describe('strips and scales', () => {
  it('an end in time is moved by its step', () => {
    const told: [number, boolean][] = []
    render(
      <SpanStrip
        label="Timer"
        until={3600}
        rows={[{ id: 'r', title: 'timer', tint: 'heat', spans: [{ from: 0, to: 1800, on: true, title: 'A' }] }]}
        handles={[
          {
            id: 'a',
            label: 'Time A ends',
            at: 1800,
            says: '30 min',
            step: 60,
            move: (to, done) => told.push([to, done]),
          },
        ]}
        ticks={[{ at: 0, text: '0' }]}
        compact={false}
      />,
    )
    press('Time A ends', 'ArrowRight', true)
    expect(told).toEqual([[2400, false]])
    expect(slider('Time A ends').getAttribute('aria-valuetext')).toBe('30 min')
  })
  it('cut-off and restart move by a tenth of a volt', () => {
    const told: [string, number, boolean][] = []
    render(
      <BatteryScale
        cutOff={11}
        restart={12.6}
        runsAbove={11.08}
        startsAbove={11.5}
        marksAt={[{ at: 12.7, text: 'full' }]}
        compact={false}
        onMove={(...move) => told.push(move)}
      />,
    )
    press('Cut-off', 'ArrowUp')
    press('Restart', 'ArrowDown')
    expect(told.map(([handle, to]) => [handle, Number(to.toFixed(2))])).toEqual([
      ['cutOff', 11.1],
      ['restart', 12.5],
    ])
    expect(screen.getByRole('img', { name: 'starts over 11.5 volts at the battery' })).toBeTruthy()
  })
})
