/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { plannedFloor, surveyedFloor } from '@nachtigal/core/testing/warmFloor'
import { hookInLoop } from '../../testing/inLoop'
import { slots } from './slots'
import { useSlots } from './useSlots'

describe('useSlots', () => {
  it('an empty chain begins with the first kind of device that the loop lacks', () => {
    const { result } = hookInLoop(surveyedFloor(), useSlots)
    const lacking = result.current.slots.filter(({ lacking: lacks }) => lacks).map(({ category }) => category)
    expect(lacking).toEqual(expect.arrayContaining(['controller', 'load']))
    expect(result.current.first?.category).toBe(lacking[0])
    expect(result.current.slots.every(({ devices }) => devices.length === 0)).toBe(true)
  })
  it('a whole chain lacks nothing, and each device stands in the slot of its kind', () => {
    const { result } = hookInLoop(plannedFloor(), useSlots)
    expect(result.current.first).toBeUndefined()
    const filled = Object.fromEntries(result.current.slots.map(({ category, devices }) => [category, devices.length]))
    expect(filled).toMatchObject({ probe: 1, controller: 1, load: 1, limiter: 1, supply: 1, relay: 0 })
  })
  it('without its limiter it is the limiter that is lacked', () => {
    const { result } = hookInLoop(
      plannedFloor(['probes/floor-ntc10k', 'controllers/dipper', 'loads/circulator-45', 'supplies/mains-230-10']),
      useSlots,
    )
    expect(result.current.first?.category).toBe('limiter')
  })
  it('keeps the order in which a chain is chosen', () => {
    const { result } = hookInLoop(plannedFloor(), useSlots)
    expect(result.current.slots.map(({ category }) => category)).toEqual(slots.map(({ category }) => category))
  })
})
