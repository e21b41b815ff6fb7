import { order, portRef } from '../../schema/places'
import { probePlaces } from '../../choices/deviceChoices'
import { nameplateRecord } from '../../device/fields/nameplateFields'
import { choice, filled, id, map, maybe, number, record, text, whole } from '../../schema/field'

/** One device of a chain: a name on the job, and which profile it is. */
export const chainDeviceRecord = record('device', {
  order: order(),
  /** Designation on the drawing and on the label: A1, B1, X1 … */
  tag: filled('tag', 20),
  name: filled('name', 60),
  profile: id('profile'),
  place: maybe(text('place')),
  /** What is set on the device itself and not keyed in a menu, such as a limiter's dial. */
  dialC: maybe(number('dial', 'temperature', { min: -100, max: 1000 })),
  /** Model, links and turned inputs, by option; what is left out is as it comes. */
  set: maybe(map('options set', id('choice'))),
  /** Length of the lead to it, one way, where that counts. */
  leadM: maybe(number('lead length', 'length', { min: 0, max: 10000 })),
  nameplate: maybe(nameplateRecord),
  /** Where a probe really sits. */
  sits: maybe(choice('where it sits', probePlaces)),
})

/** Port to port; `from` is the side that gives (supply, probe, contact), `to` the side that takes. */
export const connectionRecord = whole(
  record('connection', { order: order(), from: portRef('from'), to: portRef('to') }),
)

export const chainRecord = record('chain', {
  devices: map('devices', chainDeviceRecord),
  connections: map('connections', connectionRecord),
})
