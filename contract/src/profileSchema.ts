import { array, boolean, string, tuple } from 'yup'
import { conventions } from '@nachtigal/core/control/switchingPoints'
import { loopKinds } from '@nachtigal/core/job/documents'
import { thermocoupleTypes } from '@nachtigal/core/probes/probe'
import {
  categories,
  contactRoles,
  controls,
  effects,
  faultActions,
  loadKinds,
  parameterQuantities,
  probePlaces,
} from '@nachtigal/core/profile/deviceProfile'
import { signals } from '@nachtigal/core/signal/signal'
import { quantities } from '@nachtigal/core/units/quantity'
import {
  anyFields,
  byKind,
  numberOrText,
  filledText,
  finite,
  flag,
  id,
  mapOf,
  oneOf,
  optional,
  optionalMapOf,
  over,
  shape,
  text,
} from './parts'

const order = () => finite(0, 1e9).required()
const terminal = () => id().required()
const kind = () => string().required()
const flags = (of: readonly string[]) => optional(shape(Object.fromEntries(of.map((each) => [each, flag()]))))

const MOST_POINTS = 200

export const probeSchema = byKind({
  rtd: shape({ kind: kind(), r0Ohm: over(0, 1e6).required() }),
  ntc: shape({ kind: kind(), r25Ohm: over(0, 1e7).required(), betaK: over(0, 20000).required() }),
  steinhart: shape({ kind: kind(), a: finite().required(), b: finite().required(), c: finite().required() }),
  'ptc-silicon': shape({ kind: kind(), r25Ohm: over(0, 1e6).required() }),
  nickel: shape({ kind: kind(), r0Ohm: over(0, 1e6).required(), ppmPerK: finite(5000, 6180).required() }),
  table: shape({
    kind: kind(),
    points: array()
      .of(tuple([finite(-273, 2000).required(), over(0, 1e9).required()]).required())
      .min(2, '${path} needs two points or more')
      .max(MOST_POINTS, `\${path} holds more than ${MOST_POINTS} points`)
      .required('${path} is missing'),
  }),
  thermocouple: shape({ kind: kind(), type: oneOf(thermocoupleTypes).required() }),
  named: shape({ kind: kind(), name: filledText(60) }),
})

const electricLoad = shape({
  kind: oneOf(loadKinds).required(),
  powerW: finite(0, 1e7).required(),
  volts: over(0, 1000).required(),
  amps: over(0, 10000),
  powerFactor: over(0, 1),
  phases: finite(1, 3),
  inrush: over(0, 1000),
})

const variant = shape({
  order: order(),
  lowV: over(0, 1000).required(),
  highV: over(0, 1000).required(),
  current: oneOf(['ac', 'dc', 'ac-dc']).required(),
  line: terminal(),
  neutral: terminal(),
  earth: id(),
  l2: id(),
  l3: id(),
})

const title = () => filledText(60)
/** What a choice of an option changes of a port; `wholeProfile` holds the port that comes of it against its own schema. */
const byOption = () => optional(shape({ option: id().required(), choices: mapOf(anyFields()) }))
const watts = () => over(0, 1e7)

const common = () => ({ kind: kind(), title: title(), by: byOption() })

const portSchema = byKind({
  'supply-out': shape({
    ...common(),
    volts: over(0, 1000).required(),
    current: oneOf(['ac', 'dc']).required(),
    protectionA: over(0, 1000).required(),
    line: terminal(),
    neutral: terminal(),
    earth: id(),
    l2: id(),
    l3: id(),
    movedBy: id(),
    ratedVa: over(0, 1e6),
    safety: flag(),
    batteryAh: over(0, 1e5),
    residualMa: over(0, 1000),
    classA: flag(),
    midpoint: id(),
    earthedCommon: flag(),
  }),
  'supply-in': shape({ ...common(), drawsVa: finite(0, 1e6).required(), variants: mapOf(variant) }),
  'probe-out': shape({ ...common(), a: terminal(), b: terminal() }),
  'probe-in': shape({
    ...common(),
    accepts: probeSchema,
    lowC: finite(-273, 2000).required(),
    highC: finite(-273, 2000).required(),
    a: terminal(),
    b: terminal(),
    feels: oneOf(probePlaces),
  }),
  'measure-out': shape({
    ...common(),
    measures: oneOf(['temperature', 'humidity']).required(),
    signal: oneOf(signals).required(),
    low: finite(-273, 2000).required(),
    high: finite(-273, 2000).required(),
    plus: terminal(),
    minus: terminal(),
    loop: optional(shape({ dropV: over(0, 100).required() })),
  }),
  'measure-in': shape({
    ...common(),
    measures: oneOf(['temperature', 'humidity']).required(),
    signal: oneOf(signals).required(),
    low: finite(-273, 2000).required(),
    high: finite(-273, 2000).required(),
    plus: terminal(),
    minus: terminal(),
    burdenOhm: over(0, 1e6),
    loopV: over(0, 100),
  }),
  'signal-out': shape({
    ...common(),
    signal: oneOf(signals).required(),
    plus: terminal(),
    minus: terminal(),
    sourceMa: over(0, 1000),
    mostOhm: over(0, 1e5),
    common: oneOf(['supply', 'isolated']),
    action: oneOf(['heating', 'cooling']),
    movedBy: id(),
  }),
  'signal-in': shape({
    ...common(),
    signal: oneOf(signals).required(),
    plus: terminal(),
    minus: terminal(),
    does: oneOf(effects).required(),
    givesW: watts(),
    needMa: over(0, 1000),
    burdenOhm: over(0, 1e6),
    pushesMa: over(0, 100),
    leastPercent: over(0, 100),
  }),
  contact: shape({
    ...common(),
    common: terminal(),
    make: terminal(),
    breaks: id(),
    second: optional(shape({ common: terminal(), make: terminal() })),
    ratedOperations: over(0, 1e9).required(),
    movedBy: filledText(40),
    role: oneOf(contactRoles),
    action: oneOf(['heating', 'cooling']),
    fed: optional(
      shape({
        from: oneOf(['supply', 'own']).required(),
        volts: over(0, 1000).required(),
        current: oneOf(['ac', 'dc']).required(),
      }),
    ),
    solidState: optional(shape({ leakMa: finite(0, 100).required() })),
    least: optional(shape({ volts: over(0, 1000).required(), amps: over(0, 100).required() })),
    ratings: mapOf(
      shape({ load: oneOf(loadKinds).required(), volts: over(0, 1000).required(), amps: over(0, 10000).required() }),
    ),
  }),
  'contact-in': shape({
    ...common(),
    a: terminal(),
    b: terminal(),
    wets: shape({ volts: over(0, 300).required(), amps: over(0, 10).required() }).required(),
    does: oneOf(effects).required(),
    givesW: watts(),
  }),
  load: shape({
    ...common(),
    load: electricLoad.required(),
    does: oneOf(effects).required(),
    givesW: watts(),
    line: terminal(),
    neutral: terminal(),
    earth: id(),
    l2: id(),
    l3: id(),
    role: oneOf(['open', 'close']),
  }),
  pair: shape({ ...common(), a: terminal(), b: terminal(), common: terminal() }),
})

const parameter = shape({
  order: order(),
  name: filledText(60),
  meaning: filledText(300),
  level: oneOf(['owner', 'installer']).required(),
  binds: oneOf(parameterQuantities),
  port: id(),
  menu: id(),
  hand: text(120),
  quantity: oneOf(quantities),
  low: finite(),
  high: finite(),
  step: over(0, 1e6),
  comes: numberOrText(),
  shows: optionalMapOf(text(20)),
  resets: optionalMapOf(flag().required()),
})

const press = () => shape({ keys: filledText(40), holdS: over(0, 60) }).required()
const menu = optional(
  shape({
    keys: mapOf(shape({ order: order(), label: filledText(12) })),
    levels: mapOf(
      shape({
        order: order(),
        title: filledText(40),
        enter: press(),
        code: finite(0, 9999),
        next: id().required(),
        previous: id(),
        open: id(),
        more: id().required(),
        less: id().required(),
        keep: id(),
        leave: press(),
        idleS: over(0, 3600).required(),
      }),
    ),
  }),
)

const controller = shape({
  display: shape({ stepC: over(0, 10).required(), stepF: over(0, 10).required() }).required(),
  controls: flags(controls),
  range: optional(shape({ lowC: finite(-273, 2000).required(), highC: finite(-273, 2000).required() })),
  conventions: mapOf(
    shape({ order: order(), convention: oneOf(conventions).required(), swingIs: oneOf(['total', 'each-side']) }),
  ),
  faultDisplay: shape({ open: filledText(20), short: filledText(20) }).required(),
  faultOutputs: mapOf(shape({ order: order(), does: oneOf(faultActions).required() })),
  parameters: mapOf(parameter),
  menu,
  rectifies: oneOf(['half', 'full', 'isolated']),
  probeSafe: flag(),
  restarts: boolean(),
})

/** A device profile: an entry of the shelf, and the copy a job keeps. */
export const profileSchema = shape({
  format: finite(1, 1).required(),
  id: id().required(),
  version: finite(1, 1e6),
  category: oneOf(categories).required(),
  name: filledText(60),
  summary: filledText(120),
  practice: oneOf(['iec', 'us']),
  kinds: flags(loopKinds),
  terminals: mapOf(
    shape({ order: order(), label: filledText(12), voltageClass: oneOf(['mains', 'extra-low']).required() }),
  ),
  ports: mapOf(portSchema),
  options: optionalMapOf(
    shape({
      order: order(),
      title: title(),
      by: oneOf(['model', 'link', 'parameter']).required(),
      parameter: id(),
      choices: mapOf(shape({ order: order(), title: title(), does: filledText(200) })),
    }),
  ),
  probe: optional(
    shape({
      curve: probeSchema,
      lagS: over(0, 1e5).required(),
      toleranceK: over(0, 50).required(),
      lowC: finite(-273, 2000),
      highC: finite(-273, 2000),
      places: flags(probePlaces),
      wires: finite(2, 3),
    }),
  ),
  controller: controller.default(undefined),
  limiter: optional(
    shape({
      feels: filledText(120),
      lowC: finite(-100, 1000).required(),
      highC: finite(-100, 1000).required(),
      reset: oneOf(['manual', 'self']).required(),
      places: flags(probePlaces),
      opens: oneOf(['rise', 'fall']),
      sensing: oneOf(['bulb', 'bimetal']),
    }),
  ),
  load: optional(
    shape({
      minimumOffS: finite(0, 1e5),
      minimumOnS: finite(0, 1e5),
      startsPerHour: over(0, 1000),
      timesOwnRest: flag(),
      fuel: oneOf(['gas', 'oil', 'diesel', 'pellet']),
      ownSafety: text(200),
      ownLimiter: text(200),
      afterRun: optional(shape({ s: over(0, 3600).required(), ah: over(0, 100).required() })),
      glowA: over(0, 100),
      glowS: over(0, 1000),
      runA: over(0, 100),
      returnMinC: finite(0, 100),
      condensing: flag(),
      inverter: flag(),
      refrigerant: oneOf(['plain', 'flammable']),
      movesM3h: over(0, 1e6),
      openFlame: flag(),
      alarm: oneOf(['own-supply', 'same-supply']),
    }),
  ),
  relay: optional(shape({ separated: flag() })),
  permissive: optional(
    shape({
      senses: oneOf(['flow', 'pressure', 'door', 'time', 'hand', 'frost', 'air-flow', 'co', 'level']).required(),
      opensAtC: finite(-273, 2000),
      lowC: finite(-273, 2000),
      highC: finite(-273, 2000),
    }),
  ),
  body: optional(
    shape({
      mount: oneOf(['panel', 'wall', 'rail', 'pipe', 'box']).required(),
      widthMm: over(0, 5000).required(),
      heightMm: over(0, 5000).required(),
      depthMm: over(0, 5000).required(),
      cutOut: optional(
        shape({
          widthMm: over(0, 5000).required(),
          heightMm: over(0, 5000).required(),
          toleranceMm: over(0, 50).required(),
        }),
      ),
      protection: finite(0, 69),
      lowC: finite(-100, 200),
      highC: finite(-100, 200),
    }),
  ),
  electronics: flag(),
  waterSafe: flag(),
  marked75: flag(),
  note: text(400),
})
