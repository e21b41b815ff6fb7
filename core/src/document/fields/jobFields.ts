import { deviceRecord } from '../../device/fields/deviceFields'
import { practices, practiceTitles } from '../../units/practice'
import { errRecord } from './errFields'
import { choice, constant, day, filled, flag, growing, id, map, maybe, record, text, whole } from '../../schema/field'
import { chainDeviceRecord } from './chainFields'
import { order } from '../../schema/places'
import { noted } from './loopFields'

/** Version of a job's document that is written; older ones are brought forward. */
export const JOB_VERSION = 3

/** A meter, thermometer or clamp of the job. */
export const instrumentRecord = whole(
  record('instrument', {
    order: order(),
    name: filled('name', 80),
    /** Serial, or the number of its label. */
    serial: maybe(text('serial', 60)),
    /** Days of its last check and of the next one, as ISO dates. */
    checked: maybe(day('checked')),
    due: maybe(day('next check')),
    /** What it reads, and how much it may err: an amount in the unit of the quantity and a share of the reading. */
    errs: maybe(errRecord),
  }),
)

/** What the loops of one job share. Collections are maps by id with an order key: no path holds an array index. */
export const jobRecord = record('job', {
  version: constant(JOB_VERSION),
  type: constant('job'),
  id: id('id'),
  name: filled('name', 200),
  place: text('place'),
  /** IANA name, such as Europe/Oslo. */
  zone: filled('time zone', 60),
  temperatureUnit: choice('temperature unit', ['C', 'F'], { C: '°C', F: '°F' }),
  system: choice('measures', ['metric', 'us']),
  /** Whose trade: words, conductors, protective devices and their tests. */
  practice: choice('practice', practices, practiceTitles),
  /** Supplies, transformers and controllers that several loops use. */
  devices: map('devices', chainDeviceRecord),
  /** A copy of every profile used, so that a job file stands alone. */
  profiles: map('devices of the shelf', deviceRecord),
  instruments: map('instruments', instrumentRecord),
  /** Which instruments were taken out, by day (ISO date). */
  kit: maybe(map('measured with', growing(map('instruments', flag('taken out'))))),
  notes: map('notes', whole(record('note', { ...noted, text: filled('text', 4000) }))),
})
