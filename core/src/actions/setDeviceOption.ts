import { setOption } from '../wiring/chainEdit'
import { id, record } from '../schema/field'
import { Refused } from '../units/refused'
import { defineAction } from './action'
import { chainChanged, requireDevice } from './chainParts'

/** Chooses an option of a device: its model, a link, a parameter that turns an input into another. */
export const setDeviceOption = defineAction({
  id: 'set-device-option',
  did: 'chose an option of a device',
  input: record('option of a device', { device: id('device'), option: id('option'), choice: id('choice') }),
  run: (edited, { device, option, choice }, hand) => {
    const { job, loop } = edited
    const of = requireDevice(edited, device)
    const { options = {} } = job.profiles[(loop.chain.devices[of] ?? job.devices[of])!.profile] ?? {}
    const found = Object.hasOwn(options, option) ? options[option] : undefined
    const list = (map: object) => Object.keys(map).join(', ') || 'none'
    if (!found)
      throw new Refused('option', { must: 'other', says: `"${option.slice(0, 60)}" is none of: ${list(options)}` })
    if (!Object.hasOwn(found.choices, choice))
      throw new Refused('choice', {
        must: 'other',
        says: `"${choice.slice(0, 60)}" is none of: ${list(found.choices)}`,
      })
    return chainChanged(edited, setOption(edited, of, option, choice), hand)
  },
})
