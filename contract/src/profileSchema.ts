import { string } from 'yup'
import { conventions } from '@nachtigal/core/control/switchingPoints'
import { categories, loadKinds } from '@nachtigal/core/profile/deviceProfile'
import { byKind, filledText, finite, flag, id, mapOf, oneOf, optionalMapOf, over, shape, text } from './parts'

const order = () => finite(0, 1e9).required()
const terminal = () => id().required()

export const probeSchema = byKind({
  rtd: shape({ kind: string().required(), r0Ohm: over(0, 1e6).required() }),
  ntc: shape({ kind: string().required(), r25Ohm: over(0, 1e7).required(), betaK: over(0, 20000).required() }),
  steinhart: shape({
    kind: string().required(),
    a: finite().required(),
    b: finite().required(),
    c: finite().required(),
  }),
})

const electricLoad = shape({
  kind: oneOf(loadKinds).required(),
  powerW: finite(0, 1e7).required(),
  volts: over(0, 1000).required(),
  amps: over(0, 10000),
  powerFactor: over(0, 1),
})

const variant = shape({
  order: order(),
  lowV: over(0, 1000).required(),
  highV: over(0, 1000).required(),
  current: oneOf(['ac', 'dc', 'ac-dc']).required(),
  line: terminal(),
  neutral: terminal(),
  earth: id(),
})

const title = () => filledText(60)

const portSchema = byKind({
  'supply-out': shape({
    kind: string().required(),
    title: title(),
    volts: over(0, 1000).required(),
    current: oneOf(['ac', 'dc']).required(),
    protectionA: over(0, 1000).required(),
    line: terminal(),
    neutral: terminal(),
    earth: id(),
  }),
  'supply-in': shape({
    kind: string().required(),
    title: title(),
    drawsVa: finite(0, 1e6).required(),
    variants: mapOf(variant),
  }),
  'probe-out': shape({ kind: string().required(), title: title(), a: terminal(), b: terminal() }),
  'probe-in': shape({
    kind: string().required(),
    title: title(),
    accepts: probeSchema,
    lowC: finite(-273, 2000).required(),
    highC: finite(-273, 2000).required(),
    a: terminal(),
    b: terminal(),
  }),
  contact: shape({
    kind: string().required(),
    title: title(),
    common: terminal(),
    make: terminal(),
    ratedOperations: over(0, 1e9).required(),
    movedBy: filledText(40),
    ratings: mapOf(
      shape({ load: oneOf(loadKinds).required(), volts: over(0, 1000).required(), amps: over(0, 10000).required() }),
    ),
  }),
  load: shape({
    kind: string().required(),
    title: title(),
    load: electricLoad.required(),
    heat: oneOf(['water-flow', 'element', 'none']).required(),
    line: terminal(),
    neutral: terminal(),
    earth: id(),
  }),
})

const parameter = shape({
  order: order(),
  name: filledText(60),
  meaning: filledText(300),
  level: oneOf(['owner', 'installer']).required(),
  binds: oneOf([
    'setpoint',
    'swing',
    'above',
    'below',
    'offset',
    'lowest',
    'highest',
    'alarmHigh',
    'minimumOff',
    'probeFault',
    'convention',
    'action',
    'unit',
  ]).required(),
  port: id(),
  keys: filledText(200),
  low: finite(),
  high: finite(),
  shows: optionalMapOf(text(20)),
  resets: optionalMapOf(flag().required()),
})

const controller = shape({
  display: shape({ stepC: over(0, 10).required(), stepF: over(0, 10).required() }).required(),
  conventions: mapOf(
    shape({ order: order(), convention: oneOf(conventions).required(), swingIs: oneOf(['total', 'each-side']) }),
  ),
  faultDisplay: shape({ open: filledText(20), short: filledText(20) }).required(),
  faultOutputs: mapOf(shape({ order: order(), does: oneOf(['off', 'on']).required() })),
  parameters: mapOf(parameter),
})

/** A device profile: an entry of the shelf, and the copy a job keeps. */
export const profileSchema = shape({
  format: finite(1, 1).required(),
  id: id().required(),
  category: oneOf(categories).required(),
  name: filledText(60),
  summary: filledText(120),
  terminals: mapOf(
    shape({ order: order(), label: filledText(12), voltageClass: oneOf(['mains', 'extra-low']).required() }),
  ),
  ports: mapOf(portSchema),
  probe: shape({ curve: probeSchema, lagS: over(0, 1e5).required(), toleranceK: over(0, 50).required() }).default(
    undefined,
  ),
  controller: controller.default(undefined),
  limiter: shape({
    feels: filledText(120),
    lowC: finite(-100, 1000).required(),
    highC: finite(-100, 1000).required(),
    reset: oneOf(['manual', 'self']).required(),
  }).default(undefined),
  note: text(400),
})
