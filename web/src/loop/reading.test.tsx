/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { plannedFloor } from '@nachtigal/core/testing/warmFloor'
import { hookInLoop } from '../testing/inLoop'
import { useLoop } from './loopContext'

describe('a reading as it was typed', () => {
  const { result } = hookInLoop(plannedFloor(), useLoop)
  const read = (text: string, quantity?: Parameters<typeof result.current.reading>[1]) =>
    result.current.reading(text, quantity)
  it.each([
    ['21.50', 'temperature', '21.50 °C', 21.5],
    ['70 °F', 'temperature', '21.111 °C', 21.1111],
    ['12.5k', 'resistance', '12500 ohm', 12500],
    ['480 mA', 'current', '0.48 A', 0.48],
  ] as const)('%s as %s is kept as %s, %s in the store', (text, quantity, said, value) => {
    const kept = read(text, quantity)
    expect(kept.state).toBe('value')
    expect(`${kept.text} ${kept.unit}`).toBe(said)
    expect(kept.value).toBeCloseTo(value, 3)
  })
  it('what is no figure has no value, and keeps its words', () => {
    expect(read('warm', 'temperature')).toMatchObject({ text: 'warm', unit: '°C' })
    expect(read('warm', 'temperature').value).toBeUndefined()
    expect(read('stays')).toMatchObject({ text: 'stays', unit: '' })
  })
})
