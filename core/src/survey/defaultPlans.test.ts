import { describe, expect, it } from '@jest/globals'
import { keyedSwingK, switchingOf } from '../settings/behaviour'
import { inConvention } from '../settings/switching/replan'
import { fieldData } from '../testing/fieldData'
import { plannedFloor, profile } from '../testing/warmFloor'
import { addDevice, type Edited, removeDevice, replaceDevice } from '../wiring/chainEdit'
import { withDefaultPlans } from './defaultPlans'
import { onOff } from '../testing/plans'

let made = 0
const plans = (edited: Edited) => withDefaultPlans(edited, fieldData, () => `new-${++made}`).loop.settings.planned
const only = (edited: Edited) => onOff(Object.values(plans(edited))[0])

describe('withDefaultPlans', () => {
  it('leaves a plan alone whose controller can be keyed to it', () => {
    const floor = plannedFloor()
    expect(plans(floor)).toEqual(floor.loop.settings.planned)
  })
  it('gives each output of a new controller a plan of its own', () => {
    const two = addDevice(plannedFloor(['probes/floor-ntc10k']), profile('controllers/redwing'), 'a1')
    expect(Object.values(plans(two)).map(({ output }) => output.port)).toEqual(['out1', 'out2'])
  })
  it('says the same points in the convention of the controller that took its place', () => {
    const floor = plannedFloor()
    const wren = only(replaceDevice(floor, 'device-2', profile('controllers/wren')))
    expect(switchingOf(wren)).toMatchObject({ onC: 27, offC: 28 })
    expect(Object.values(profile('controllers/wren').controller!.conventions).map((c) => c.convention)).toContain(
      wren.convention,
    )
  })
  it('keys half where the new controller counts the swing each side', () => {
    const floor = plannedFloor()
    const centred = inConvention(onOff(floor.loop.settings.planned['plan-1']), 'centred')
    const edited = { ...floor, loop: { ...floor.loop, settings: { ...floor.loop.settings, planned: { p: centred } } } }
    const wren = only(replaceDevice(edited, 'device-2', profile('controllers/wren')))
    expect([keyedSwingK(centred), keyedSwingK(wren)]).toEqual([1, 0.5])
    expect({ ...wren, ...switchingOf(wren) }).toMatchObject({ convention: 'centred', onC: 27, offC: 28 })
  })
  it('takes away the plan of an output that is gone', () =>
    expect(plans(removeDevice(plannedFloor(), 'device-2'))).toEqual({}))
})
