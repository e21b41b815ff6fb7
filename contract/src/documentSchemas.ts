import { boolean, mixed, number, string } from 'yup'
import { anchors } from '@nachtigal/core/control/proportional'
import { conventions } from '@nachtigal/core/control/switchingPoints'
import { loopKinds, temporaryKinds } from '@nachtigal/core/job/documents'
import { mountings } from '@nachtigal/core/plant/enclosure'
import { faultActions, probePlaces } from '@nachtigal/core/profile/deviceProfile'
import { unitLabels } from '@nachtigal/core/units/quantity'
import { answersRefusal } from './answersRefusal'
import {
  byKind,
  day,
  filledText,
  finite,
  flag,
  id,
  instant,
  mapOf,
  numberOrText,
  optional,
  optionalMapOf,
  oneOf,
  over,
  type Part,
  shape,
  text,
  wholly,
} from './parts'
import { deviceSchema } from './profileRefusal'

const order = () => finite(0, 1e15).required()
const version = () => number().oneOf([1], '${path} must be 1').required()
const portRef = () => shape({ device: id().required(), port: id().required() }).required()

const chainDevice = shape({
  order: order(),
  tag: filledText(20),
  name: filledText(60),
  profile: id().required(),
  place: text(),
  dialC: finite(-100, 1000),
  set: optionalMapOf(id().required()),
  leadM: finite(0, 10000),
  sits: oneOf(probePlaces),
})

const readingFields = {
  text: text(60).defined('${path} is missing'),
  unit: oneOf(unitLabels).defined('${path} is missing'),
  state: oneOf(['value', 'over-range', 'none']).required(),
  value: finite(),
  at: instant().required(),
  by: filledText(80),
}
const reading = shape(readingFields)
/** A record of many years: every reading of every test stays. */
const MOST_READINGS = 20_000
const verdict = () => oneOf(['waiting', 'good', 'look', 'stop', 'cannot-tell']).required()

const settingReading = shape({ ...readingFields, why: text(400) })
const celsius = () => finite(-273.15, 2000)
const action = () => oneOf(['heating', 'cooling']).required()
const percent = () => finite(0, 100)

/** What every planned output has. Implausible values are findings; what has no meaning is refused. */
const planned = () => ({
  kind: filledText(20),
  order: order(),
  output: portRef(),
  input: portRef(),
  action: action(),
  setpointC: celsius().required(),
  lowestC: celsius(),
  highestC: celsius(),
  alarmHighC: celsius(),
  alarmLowC: celsius(),
  offsetK: finite(-1000, 1000).required(),
  probeFault: oneOf(faultActions).required(),
  dutyPercent: percent(),
})
/** A swing of nothing or less has no meaning. */
const onOff = shape({
  ...planned(),
  convention: oneOf(conventions).required(),
  swingK: over(0, 1000).required(),
  aboveK: finite(0, 1000),
  belowK: finite(0, 1000),
  swingIs: oneOf(['total', 'each-side']),
  onC: finite(-1273.15, 3000).required(),
  offC: finite(-1273.15, 3000).required(),
  minimumOffS: finite(0, 86400).required(),
  unused: flag(),
})
const band = shape({
  ...planned(),
  anchor: oneOf(anchors).required(),
  bandK: over(0, 1000).required(),
  integralS: finite(0, 86400).required(),
  minimumPercent: percent().required(),
  maximumPercent: percent().required(),
  cycleS: over(0, 86400),
  travelS: over(0, 86400),
})
const fan = shape({
  ...planned(),
  bandK: over(0, 1000).required(),
  humidityPercent: percent(),
  humidityBandPercent: over(0, 100),
  minimumPercent: mixed<number | 'off'>()
    .required('${path} is missing')
    .test(
      'minimum',
      '${path} is ${value}: it must be a number from 0 to 100, or off',
      (value) => value === 'off' || (typeof value === 'number' && value >= 0 && value <= 100),
    ),
  minimumMode: oneOf(['floor', 'scaled']).required(),
})

const clock = () => string().matches(/^([01]\d|2[0-3]):[0-5]\d$/, '${path} must be a time like 07:00')
const hours = () => finite(0, 1000)
const minutes = () => finite(0, 100_000)
const controllerPlan = shape({
  stages: optional(shape({ waitS: finite(0, 86400).required(), lead: oneOf(['fixed', 'rotate']).required() })),
  reset: optional(
    shape({
      designOutdoorC: celsius().required(),
      designSupplyC: celsius().required(),
      warmOutdoorC: celsius().required(),
      warmSupplyC: celsius().required(),
      minimumSupplyC: celsius(),
      maximumSupplyC: celsius(),
      shutdownAboveC: celsius(),
      frostBelowC: celsius(),
      frostSupplyC: celsius(),
      averageH: hours().required(),
      shiftK: finite(-200, 200).required(),
      setbackK: finite(0, 200).required(),
    }),
  ),
  defrost: optional(
    shape({
      by: oneOf(['time', 'coil']).required(),
      everyH: hours().required(),
      coilC: celsius(),
      endC: celsius().required(),
      longestMin: minutes().required(),
      dripMin: minutes().required(),
      fanBackC: celsius().required(),
      blindMin: minutes().required(),
      leads: boolean(),
      waits: boolean(),
    }),
  ),
  battery: optional(
    shape({
      cutOffV: over(0, 100).required(),
      holdS: finite(0, 3600).required(),
      restartV: over(0, 100).required(),
    }),
  ),
  week: optional(
    shape({
      periods: mapOf(
        shape({
          order: order(),
          mode: filledText(20),
          days: string()
            .matches(/^1?2?3?4?5?6?7?$/, '${path} must name days by 1 (Monday) to 7 (Sunday), in order')
            .defined('${path} is missing'),
          start: clock().required('${path} is missing'),
          minutes: over(0, 10080).required(),
        }),
      ),
      onceMin: minutes(),
    }),
  ),
  timer: optional(
    shape({
      mode: oneOf(['once', 'repeat']).required(),
      aS: finite(0, 1e6).required(),
      bS: finite(0, 1e6).required(),
      from: oneOf(['key', 'heat']).required(),
      counts: oneOf(['down', 'up']).required(),
    }),
  ),
  values: optionalMapOf(numberOrText().required()),
  owner: optionalMapOf(boolean().required()),
  lock: optional(shape({ shut: boolean().required() })),
})

const answer = mixed<number | string>()
  .required()
  .test(
    'answer',
    '${path} is ${value}: an answer is a finite number or the key of a choice',
    (value) =>
      (typeof value === 'number' && Number.isFinite(value)) ||
      (typeof value === 'string' && value.length > 0 && value.length <= 60),
  )

const noted = { order: order(), at: instant().required(), by: filledText(80) }

export const jobSchema = shape({
  version: version(),
  type: oneOf(['job']).required(),
  id: id().required(),
  name: filledText(120),
  place: text().defined(),
  zone: filledText(60),
  temperatureUnit: oneOf(['C', 'F']).required(),
  system: oneOf(['metric', 'us']).required(),
  practice: oneOf(['iec', 'us']).required(),
  devices: mapOf(chainDevice),
  profiles: mapOf(deviceSchema),
  instruments: mapOf(
    shape({
      order: order(),
      name: filledText(80),
      serial: text(60),
      checked: day(),
      due: day(),
      errs: optionalMapOf(shape({ fixed: finite(0, 1e6), percent: finite(0, 100) })),
    }),
  ),
  kit: optionalMapOf(mapOf(flag().required())),
  notes: mapOf(shape({ ...noted, text: filledText(4000) })),
})

const signature = () => ({ by: filledText(80), at: instant().required(), instrument: filledText(400) })

export const loopSchema = wholly(
  shape({
    version: number().oneOf([2], '${path} must be 2').required(),
    type: oneOf(['loop']).required(),
    id: id().required(),
    jobId: id().required(),
    kind: oneOf(loopKinds).required(),
    name: filledText(80),
    order: order(),
    survey: shape({
      answers: mapOf(answer),
      hazards: mapOf(flag().required()),
      complaint: text(2000),
      ways: optionalMapOf(shape({ way: id().required(), values: mapOf(finite().required()) })),
      found: optional(
        shape({
          state: oneOf(['there', 'none']),
          what: text(120),
          profile: id(),
          serial: text(60),
          weather: text(200),
          outdoorC: finite(-100, 100),
          terminals: optionalMapOf(
            shape({
              order: order(),
              terminal: text(20).defined(),
              wire: text(200).defined(),
              volts: finite(0, 1000),
            }),
          ),
          values: optionalMapOf(shape({ order: order(), name: text(60).defined(), text: text(40).defined() })),
        }),
      ),
    }).required(),
    chain: shape({
      devices: mapOf(chainDevice),
      connections: mapOf(shape({ order: order(), from: portRef(), to: portRef() })),
    }).required(),
    wiring: shape({
      rows: mapOf(
        shape({
          landed: flag(),
          number: finite(1, 10000),
          tested: reading.default(undefined),
          note: text(400),
          label: text(20),
          lengthM: finite(0, 10000),
          sizeMm2: over(0, 1000),
        }),
      ),
      changed: optionalMapOf(
        shape({
          order: order(),
          what: oneOf(['came', 'went', 'moved']).required(),
          says: filledText(400),
          landed: flag(),
        }),
      ),
      done: optionalMapOf(
        shape({ answer: oneOf(['yes', 'no']).required(), by: filledText(80), at: instant().required() }),
      ),
      box: optional(
        shape({
          heightM: over(0, 10),
          widthM: over(0, 10),
          depthM: over(0, 10),
          mounting: oneOf(mountings),
          build: oneOf(['steel', 'stainless', 'plastic']),
          outsideC: finite(-60, 100),
        }),
      ),
    }).required(),
    settings: shape({
      planned: mapOf(byKind({ 'on-off': onOff, band, fan })),
      controllers: optionalMapOf(controllerPlan),
      asFound: mapOf(mapOf(settingReading)),
      asLeft: mapOf(mapOf(settingReading)),
    }).required(),
    proof: shape({
      readings: mapOf(
        shape({
          ...readingFields,
          order: order(),
          test: filledText(),
          step: filledText(),
          supersedes: id(),
          take: finite(1, 1000),
          instrument: id(),
        }),
        MOST_READINGS,
      ),
      takes: optionalMapOf(shape({ take: finite(2, 1000).required() })),
      past: optionalMapOf(
        shape({
          ...noted,
          test: filledText(),
          take: finite(1, 1000).required(),
          verdict: verdict(),
          head: filledText(200),
        }),
      ),
      skipped: optionalMapOf(shape({ by: filledText(80), at: instant().required(), reason: filledText(400) })),
    }).required(),
    waivers: mapOf(shape({ by: filledText(80), reason: filledText(400) })),
    temporary: mapOf(shape({ ...noted, kind: oneOf(temporaryKinds), what: filledText(400), during: text(250) })),
    handover: shape({
      signed: optional(shape(signature())),
      ticks: optionalMapOf(shape({ by: filledText(80), at: instant().required() })),
      retest: day(),
      call: text(120),
      reopened: optional(shape({ by: filledText(80), at: instant().required(), why: filledText(400) })),
      past: optionalMapOf(shape({ ...signature(), order: order() })),
    }).required(),
    notes: optionalMapOf(
      shape({
        ...noted,
        text: filledText(4000),
        sum: shape({ calc: filledText(60), given: filledText(8000) }).default(undefined),
        photo: string().matches(/^[0-9a-f]{64}$/, '${path} is no hash of a photo'),
        test: text(),
        step: text(),
      }),
    ),
    trial: shape({
      plant: optionalMapOf(finite(0, 1e12).required()),
      runs: optionalMapOf(
        shape({
          order: order(),
          title: filledText(80),
          at: instant().required(),
          by: filledText(80),
          choice: filledText(8000),
          planned: filledText(60_000),
          starts: finite(0, 1e9).required(),
          energyKwh: finite(-1e12, 1e12).required(),
          lowestC: finite(-273.15, 5000).required(),
          highestC: finite(-273.15, 5000).required(),
        }),
      ),
    }).default(undefined),
  }),
  answersRefusal,
)

/** What a document of a job is held to: the job itself, or one of its loops. */
export const documentSchema = (id: string, jobId: string): Part => (id === jobId ? jobSchema : loopSchema)
