/** @jest-environment jsdom */
import { describe, expect, it } from '@jest/globals'
import { act } from '@testing-library/react'
import { loopContext } from '@nachtigal/core/loop/context'
import { fieldData } from '@nachtigal/core/testing/fieldData'
import { plannedFloor } from '@nachtigal/core/testing/warmFloor'
import { hookInLoop } from '../../testing/inLoop'
import { landedState, useRow } from './useRow'

const edited = plannedFloor()
const [row] = loopContext(edited.job, edited.loop, fieldData).rows

describe('useRow', () => {
  it('a wire that is landed keeps its number, and is one command', () => {
    const { result, sent, now } = hookInLoop(edited, () => useRow(row!))
    act(() => void result.current.write(landedState(result.current.state, row!, true)))
    expect(sent).toMatchObject([{ action: 'write-wire', loopId: 'loop' }])
    expect(now().wiring.rows[row!.id]).toMatchObject({ landed: true, number: row!.number })
    expect(result.current.state).toMatchObject({ landed: true })
  })
})

describe('the state of a wire', () => {
  it.each([
    [undefined, true, { landed: true, number: 3 }],
    [undefined, false, {}],
    [{ landed: true, number: 7, note: 'tight' }, false, { note: 'tight' }],
    [{ note: 'tight' }, true, { note: 'tight', landed: true, number: 3 }],
  ])('%j, landed %j', (state, on, next) => {
    expect(landedState(state as never, { ...row!, number: 3 }, on)).toEqual(next)
  })
})
