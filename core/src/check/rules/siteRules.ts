import { answersOf } from '../../kinds/answersOf'
import { fieldValue } from '../../plant/fieldValue'
import { freezePoint, liquids } from '../../kinds/freezePoint'
import type { Found } from '../finding'
import type { LoopContext } from '../../loop/context'
import { leastReturnC } from '../../settings/reset/leastReturn'
import { resetView } from '../../settings/reset/resetView'
import { loadLogics } from '../../wiring/loadLogic'
import { unansweredSafety } from '../../survey/surveyResult'
import { answered, lookAgain, note, type Rule, stop, told } from './rule'

/** Stops of the place itself: no device mends them. */
const explosive: Rule = (context) =>
  answered(context, 'explosive') === 'yes' || answered(context, 'solvent') === 'yes'
    ? [stop('C052_EXPLOSIVE', { about: 'site', figures: {} }, 'survey')]
    : []

const coAlarm: Rule = (context) =>
  answered(context, 'coAlarm') === 'no' ? [stop('C059_NO_CO_ALARM', { about: 'site', figures: {} }, 'survey')] : []

const timedStart: Rule = (context) => {
  if (answered(context, 'parked') !== 'enclosed') return []
  return context.chain.devices
    .filter(({ facts }) => facts.controller?.controls?.timer)
    .map((device) => stop('C058_TIMED_START_ENCLOSED', { about: device.id, figures: { tag: device.tag } }))
}

const storedWater: Rule = (context) => {
  const { chain } = context
  if (answered(context, 'hotWater') !== 'stored') return []
  const governs = chain.devices.filter(
    ({ facts }) => facts.controller?.controls?.reset && answered(context, 'supplySchool') !== 'fixed',
  )
  if (answered(context, 'through') === 'mixing') return []
  return governs.map((device) =>
    stop('C049_RESET_GOVERNS_HOT_WATER', {
      about: device.id,
      figures: { tag: device.tag, dhwStore: fieldValue(context.data, 'dhw.store').typical },
    }),
  )
}

const warmStore: Rule = (context) => {
  const storeC = answered(context, 'storeC')
  const { data } = context
  if (answered(context, 'hotWater') !== 'stored' || typeof storeC !== 'number') return []
  const needC = fieldValue(data, 'dhw.store').low
  if (storeC >= needC) return []
  return [
    stop(
      'C051_STORE_TOO_COOL',
      { about: 'site', figures: { storeC, needC, dhwReturn: fieldValue(data, 'dhw.return').typical } },
      'survey',
    ),
  ]
}

/** What keeps a boiler’s return warm: a mixing valve for the rooms does not, it cools it. */
const returnWarm: Rule = (context) => {
  const { survey, loop } = context
  const answers = answersOf(loop)
  const lifted = answers['returnLift'] === 'loading' || answers['returnLift'] === 'own'
  const needC = leastReturnC(context)
  if (!survey || lifted || needC === undefined) return []
  const half = survey.lines.find(({ id }) => id === 'returnHalf')
  // The line as it is planned says it best; before there is one, the emitters at half load.
  const along = resetView(context)?.coolestReturn
  const fixed = answers['supplySchool'] === 'fixed'
  const coolestC = fixed ? survey.lines.find(({ id }) => id === 'returnDesign')?.value : (along?.supplyC ?? half?.value)
  if (coolestC === undefined || coolestC >= needC) return []
  return [
    stop('C048_RETURN_UNDER_DEW_POINT', {
      about: 'return',
      figures: { coolestC, fixed, outdoorC: along?.outdoorC, needC, through: answers['through'] },
      ...(half?.worked && !along ? { worked: [half.worked] } : {}),
    }),
  ]
}

/** Whether flow is proved and a freeze thermostat stands in the line of whatever cools. */
const flowAndFrost = ({ chain }: LoopContext): boolean => {
  const logics = loadLogics(chain).filter(({ port }) => port.does === 'cooling')
  return (
    logics.length > 0 &&
    logics.every(({ protects }) =>
      (['flow', 'frost'] as const).every((senses) =>
        protects.some(({ device }) => device.facts.permissive?.senses === senses),
      ),
    )
  )
}

const freezing: Rule = (context) => {
  const { survey, loop, data } = context
  const { liquid, glycol } = answersOf(loop)
  const kind = liquids.find((each) => each === liquid)
  if (!survey || !kind) return []
  const evaporatingC = survey.figures['evaporating']?.value
  if (evaporatingC === undefined) return []
  const percent = kind === 'water' ? 0 : typeof glycol === 'number' ? glycol : (survey.figures['glycol']?.value ?? 0)
  const freezeC = freezePoint(kind, percent, data)
  const margin = fieldValue(data, 'ch.margin')
  const found: Found[] = []
  // Plain water is sound nearer to its ice where it is proved to flow and a freeze thermostat stands in the line: what leaves counts then.
  const leavingC = kind === 'water' && flowAndFrost(context) ? survey.figures['leaving']?.value : undefined
  if ((leavingC ?? evaporatingC) < freezeC + margin.low)
    found.push(
      stop('C047_FREEZE_MARGIN', {
        about: 'liquid',
        figures: {
          freezeC,
          leaves: leavingC !== undefined,
          coldestC: leavingC ?? evaporatingC,
          marginK: margin.low,
          kind,
        },
      }),
    )
  const least = fieldValue(data, 'pg.least')
  if (kind !== 'water' && percent < least.low)
    found.push(lookAgain('C068_THIN_GLYCOL', { about: 'liquid', figures: { percent, leastPercent: least.typical } }))
  return found
}

const compressorWire: Rule = (context) => {
  const unit = answered(context, 'unit')
  const override = answered(context, 'override')
  const refrigerant = answered(context, 'refrigerant')
  if (unit !== 'adapted') return []
  const found: Found[] = []
  if (refrigerant === 'inverter' || refrigerant === 'flammable')
    found.push(stop('C061_UNIT_NOT_FOR_THIS', { about: 'unit', figures: { refrigerant } }, 'survey'))
  if (
    override === 'warm' &&
    context.chain.devices.some(({ facts }) =>
      Object.values(facts.ports).some((port) => 'does' in port && (port.does === 'light' || port.does === 'element')),
    )
  )
    found.push(stop('C065_LAMP_NEAR_FOAM', { about: 'override', figures: {} }))
  return found
}

const wetterAir: Rule = (context) => {
  const { humiditySet } = answersOf(context.loop)
  if (typeof humiditySet !== 'number' || answered(context, 'first') === 'temperature') return []
  const measures = context.chain.devices.some(({ facts }) =>
    Object.values(facts.ports).some((port) => port.kind === 'measure-out' && port.measures === 'humidity'),
  )
  return measures ? [note('C071_WETTER_AIR', { about: 'humidity', figures: {} })] : []
}

/** Somebody may be hurt by what nobody answered: one finding that names them all. */
const unanswered: Rule = (context) => {
  const open = unansweredSafety(context.loop)
  return open.length === 0
    ? []
    : [
        told(
          'C140_SAFETY_UNANSWERED',
          'site',
          { questions: open.map(({ title }) => title) },
          { severity: 'look-again', step: 'survey' },
        ),
      ]
}

/** Housing against what is around it. */
const housing: Rule = (context) => {
  const wet = answered(context, 'wet')
  const outdoors = answered(context, 'outdoors')
  const needs = wet === 'washed' || outdoors === 'out' ? 54 : wet === 'damp' || outdoors === 'under' ? 44 : 0
  if (needs === 0) return []
  return context.chain.devices.flatMap((device): Found[] => {
    const { body, category } = device.facts
    if (!body?.protection || category !== 'controller' || body.mount === 'rail' || body.protection % 10 >= needs % 10)
      return []
    return [
      lookAgain('C066_HOUSING', { about: device.id, figures: { tag: device.tag, protection: body.protection, needs } }),
    ]
  })
}

/** What was there is written down before anything is keyed. */
const foundFirst: Rule = ({ loop }) => {
  const keyed = Object.values(loop.settings.asLeft).some((values) => Object.keys(values).length > 0)
  const before = Object.values(loop.settings.asFound).some((values) => Object.keys(values).length > 0)
  if (!keyed || before || loop.survey.found?.state !== undefined) return []
  return [lookAgain('C072_FOUND_NOT_WRITTEN', { about: 'found', figures: {} }, 'survey')]
}

/** Rules about the place, its dangers and what is kept there. */
export const siteRules: readonly Rule[] = [
  explosive,
  coAlarm,
  timedStart,
  storedWater,
  warmStore,
  returnWarm,
  freezing,
  unanswered,
  compressorWire,
  wetterAir,
  housing,
  foundFirst,
]
