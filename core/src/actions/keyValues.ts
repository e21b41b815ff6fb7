import { settingReadingRecord } from '../document/fields/readingFields'
import { choice, id, list, map, maybe, record } from '../schema/field'
import { defineAction, withLoop, without } from './action'

/** Writes down values of a controller as they were found or as they are left, and takes some away. */
export const keyValues = defineAction({
  id: 'key-values',
  did: 'keyed values',
  input: record('values', {
    side: choice('side', ['asFound', 'asLeft']),
    device: id('device'),
    values: maybe(map('values', settingReadingRecord)),
    none: maybe(list('taken away', id('key'), 0, 500)),
  }),
  run: (edited, { side, device, values, none }) => {
    const { settings } = edited.loop
    const held = { ...without(settings[side][device], ...(none ?? [])), ...values }
    return withLoop(edited, { settings: { ...settings, [side]: { ...settings[side], [device]: held } } })
  },
})
