/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { act } from '@testing-library/react'
import { chained } from '@nachtigal/core/testing/chains'
import { plannedFloor } from '@nachtigal/core/testing/warmFloor'
import { hookInLoop } from '../../testing/inLoop'
import { useContacts } from './useContacts'

describe('useContacts', () => {
  it('a load runs once every contact on its way is closed, and rests when one opens', () => {
    const { result } = hookInLoop(plannedFloor(), useContacts)
    const [logic] = result.current.logics
    const names = logic!.contacts.map(({ name }) => name)
    expect(names.length).toBeGreaterThan(0)
    act(() => void result.current.setAll([]))
    const atRest = result.current.loadRuns(logic!.load.id)
    act(() => void result.current.setAll(names))
    expect(result.current.loadRuns(logic!.load.id)).toBe(true)
    expect(atRest).toBe(false)
    act(() => void result.current.flip(names[0]!))
    expect(result.current.loadRuns(logic!.load.id)).toBe(false)
  })
  it('a contact is flipped where it is drawn, and told closed there', () => {
    const { result } = hookInLoop(plannedFloor(), useContacts)
    const contact = result.current.logics[0]!.contacts[0]!
    act(() => void result.current.setAll([]))
    expect(result.current.isClosed(contact.device.id, contact.portId)).toBe(false)
    act(() => result.current.flipAt(contact.device.id, contact.portId))
    expect(result.current.isClosed(contact.device.id, contact.portId)).toBe(true)
    expect(result.current.canFlip(contact.device.id, contact.portId)).toBe(true)
  })
  it('the contact of a relay follows its coil and nobody’s hand', () => {
    const { result } = hookInLoop(chained('pool'), useContacts)
    const relays = result.current.logics.flatMap((each) => each.relays)
    expect(relays.length).toBeGreaterThan(0)
    for (const { contact } of relays) expect(result.current.canFlip(contact.device.id, contact.portId)).toBe(false)
  })
  it('what is no contact neither flips nor is closed, and a device that is no load has no answer', () => {
    const { result, store } = hookInLoop(plannedFloor(), useContacts)
    const before = store.getState().contacts
    act(() => result.current.flipAt('nowhere', 'out1'))
    expect(store.getState().contacts).toBe(before)
    expect(result.current.isClosed('nowhere', 'out1')).toBe(false)
    expect(result.current.loadRuns('nowhere')).toBeUndefined()
  })
})
