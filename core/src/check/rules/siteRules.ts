import { fieldValue } from '../../plant/fieldValue'
import { freezePoint, liquids } from '../../survey/kinds/freezePoint'
import type { Finding } from '../finding'
import type { LoopContext } from '../context'
import { leastReturnC } from '../settings/leastReturn'
import { resetView } from '../settings/resetView'
import { loadLogics } from '../../wiring/loadLogic'
import { unansweredSafety } from '../../survey/surveyResult'
import { answered, lookAgain, note, type Rule, stop, told } from './rule'

/** Stops of the place itself: no device mends them. */
const explosive: Rule = (context) =>
  answered(context, 'explosive') === 'yes' || answered(context, 'solvent') === 'yes'
    ? [
        stop(
          'C052_EXPLOSIVE',
          {
            about: 'site',
            head: 'Explosive atmosphere: stop.',
            reason: 'A contact, an element or a motor can be the spark.',
            remedy: 'Leave it, and refer it to a specialist for such places.',
          },
          'survey',
        ),
      ]
    : []

const coAlarm: Rule = (context) =>
  answered(context, 'coAlarm') === 'no'
    ? [
        stop(
          'C059_NO_CO_ALARM',
          {
            about: 'site',
            head: 'No carbon monoxide alarm.',
            reason: 'Exhaust that leaks in has no smell; who sleeps does not wake.',
            remedy: 'Fit one in the cabin, in date, and press its button. Not before that a start.',
          },
          'survey',
        ),
      ]
    : []

const timedStart: Rule = (context) => {
  if (answered(context, 'parked') !== 'enclosed') return []
  return context.chain.devices
    .filter(({ facts }) => facts.controller?.controls?.timer)
    .map((device) =>
      stop('C058_TIMED_START_ENCLOSED', {
        about: device.id,
        head: `${device.tag} can start by the clock where exhaust stays.`,
        reason: 'It is parked in a closed space: a timed start fills it with exhaust.',
        remedy: 'A controller without a timer, or never park it closed. Change the answer only when that is certain.',
      }),
    )
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
      head: 'The reset line would govern stored hot water.',
      reason: `${device.tag} lets the boiler cool down in mild weather; the store needs ${context.words.say(fieldValue(context.data, 'dhw.store').typical, 'temperature', 0)} always (Legionella).`,
      remedy: 'Heating through a mixing valve, or a cylinder call that overrides the line to 60 °C and more.'.replace(
        '60 °C',
        context.words.say(fieldValue(context.data, 'dhw.store').typical, 'temperature', 0),
      ),
    }),
  )
}

const warmStore: Rule = (context) => {
  const storeC = answered(context, 'storeC')
  const { words, data } = context
  if (answered(context, 'hotWater') !== 'stored' || typeof storeC !== 'number') return []
  const needC = fieldValue(data, 'dhw.store').low
  if (storeC >= needC) return []
  return [
    stop(
      'C051_STORE_TOO_COOL',
      {
        about: 'site',
        head: 'Stored hot water is too cool.',
        reason:
          `${words.say(storeC, 'temperature', 0)}; between 20 and 50 °C Legionella grow, so it is stored at ${words.say(needC, 'temperature', 0)}.`.replace(
            '20 and 50 °C',
            `${words.say(20, 'temperature', 0)} and ${words.say(50, 'temperature', 0)}`,
          ),
        remedy: `Store at ${words.say(needC, 'temperature', 0)}, circulation back at ${words.say(fieldValue(data, 'dhw.return').typical, 'temperature', 0)}, anti-scald at the outlet; or a written plan by who may.`,
      },
      'survey',
    ),
  ]
}

/** What keeps a boiler’s return warm: a mixing valve for the rooms does not, it cools it. */
const returnWarm: Rule = (context) => {
  const { survey, loop, words } = context
  const { answers } = loop.survey
  const lifted = answers['returnLift'] === 'loading' || answers['returnLift'] === 'own'
  const needC = leastReturnC(context)
  if (!survey || lifted || needC === undefined) return []
  const half = survey.lines.find(({ label }) => label === 'Return at half load')
  // The line as it is planned says it best; before there is one, the emitters at half load.
  const along = resetView(context)?.coolestReturn
  const fixed = answers['supplySchool'] === 'fixed'
  const coolestC = fixed
    ? survey.lines.find(({ label }) => label === 'Return at design')?.value
    : (along?.supplyC ?? half?.value)
  if (coolestC === undefined || coolestC >= needC) return []
  return [
    stop('C048_RETURN_UNDER_DEW_POINT', {
      about: 'return',
      head: 'The return is too cool for this boiler.',
      reason: `${words.say(coolestC, 'temperature', 0)} at ${fixed ? 'design' : along ? `${words.say(along.outdoorC, 'temperature', 0)} outdoors` : 'half load'}, at steady burn; it wants ${words.say(needC, 'temperature', 0)} or its flue gas condenses in it.${answers['through'] === 'mixing' ? ' The mixing valve for the rooms sends its return back all the same.' : ''}`,
      remedy:
        'A loading valve or pump at the boiler that senses its return, or the maker\u2019s own: say which in Survey. Cold starts may pass it.',
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
  const { survey, loop, words, data } = context
  const { liquid, glycol } = loop.survey.answers
  const kind = liquids.find((each) => each === liquid)
  if (!survey || !kind) return []
  const evaporatingC = survey.figures['evaporating']?.value
  if (evaporatingC === undefined) return []
  const percent = kind === 'water' ? 0 : typeof glycol === 'number' ? glycol : (survey.figures['glycol']?.value ?? 0)
  const freezeC = freezePoint(kind, percent, data)
  const margin = fieldValue(data, 'ch.margin')
  const found: Finding[] = []
  // Plain water is sound nearer to its ice where it is proved to flow and a freeze thermostat stands in the line: what leaves counts then.
  const leavingC = kind === 'water' && flowAndFrost(context) ? survey.figures['leaving']?.value : undefined
  if ((leavingC ?? evaporatingC) < freezeC + margin.low)
    found.push(
      stop('C047_FREEZE_MARGIN', {
        about: 'liquid',
        head: 'The liquid can freeze in the evaporator.',
        reason: `First ice at ${words.say(freezeC, 'temperature')}, ${leavingC === undefined ? 'evaporating down to' : 'leaving at'} ${words.say(leavingC ?? evaporatingC, 'temperature')}: at least ${words.say(margin.low, 'difference', 0)} apart is wanted.`,
        remedy:
          kind === 'water'
            ? 'Antifreeze, or a higher target with a low-temperature cut-out.'
            : 'More antifreeze, measured with a refractometer.',
      }),
    )
  const least = fieldValue(data, 'pg.least')
  if (kind !== 'water' && percent < least.low)
    found.push(
      lookAgain('C068_THIN_GLYCOL', {
        about: 'liquid',
        head: 'Thin glycol feeds bacteria and corrodes.',
        reason: `${words.say(percent, 'percent')}; under ${words.say(least.typical, 'percent')} it is food, not protection.`,
        remedy: `Bring it to ${words.say(least.typical, 'percent')} or more, with inhibitor.`,
      }),
    )
  return found
}

const compressorWire: Rule = (context) => {
  const unit = answered(context, 'unit')
  const override = answered(context, 'override')
  const refrigerant = answered(context, 'refrigerant')
  if (unit !== 'adapted') return []
  const found: Finding[] = []
  if (refrigerant === 'inverter' || refrigerant === 'flammable')
    found.push(
      stop(
        'C061_UNIT_NOT_FOR_THIS',
        {
          about: 'unit',
          head:
            refrigerant === 'inverter'
              ? 'An inverter unit is not to be told to run on.'
              : 'A flammable refrigerant: hands off.',
          reason:
            refrigerant === 'inverter'
              ? 'Its electronics rule the compressor: a split wire or a warmed sensor breaks it.'
              : 'A relay, a heater or a lamp near it can be the spark; opening it is for licensed people.',
          remedy: 'A unit made for cold rooms.',
        },
        'survey',
      ),
    )
  if (
    override === 'warm' &&
    context.chain.devices.some(({ facts }) =>
      Object.values(facts.ports).some((port) => 'does' in port && (port.does === 'light' || port.does === 'element')),
    )
  )
    found.push(
      stop('C065_LAMP_NEAR_FOAM', {
        about: 'override',
        head: 'A lamp or heater to warm the sensor is a fire hazard.',
        reason: 'Near foil, foam and refrigerant pipe it chars and burns unseen.',
        remedy: 'The ready-made warmer of a few watts at the sensor alone; never at the coil\u2019s freeze sensor.',
      }),
    )
  return found
}

const wetterAir: Rule = (context) => {
  const { humiditySet } = context.loop.survey.answers
  if (typeof humiditySet !== 'number' || answered(context, 'first') === 'temperature') return []
  const measures = context.chain.devices.some(({ facts }) =>
    Object.values(facts.ports).some((port) => port.kind === 'measure-out' && port.measures === 'humidity'),
  )
  return measures
    ? [
        note('C071_WETTER_AIR', {
          about: 'humidity',
          head: 'Outdoor air that is wetter never dries.',
          reason: 'On such days the humidity demand only blows.',
          remedy: 'Hold the dew points against each other; let temperature rule then.',
        }),
      ]
    : []
}

/** Somebody may be hurt by what nobody answered: one finding that names them all. */
const unanswered: Rule = (context) => {
  const open = unansweredSafety(context.loop)
  return open.length === 0
    ? []
    : [
        told(
          context,
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
  return context.chain.devices.flatMap((device): Finding[] => {
    const { body, category } = device.facts
    if (!body?.protection || category !== 'controller' || body.mount === 'rail' || body.protection % 10 >= needs % 10)
      return []
    return [
      lookAgain('C066_HOUSING', {
        about: device.id,
        head: `${device.tag} is not closed enough for its place.`,
        reason: `IP${body.protection}; ${needs === 54 ? 'splashed or in the rain' : 'damp or under a roof'} wants IP${needs} or better.`,
        remedy: 'Put it into a closed box with glands downwards, or in a dry place.',
      }),
    ]
  })
}

/** What was there is written down before anything is keyed. */
const foundFirst: Rule = ({ loop }) => {
  const keyed = Object.values(loop.settings.asLeft).some((values) => Object.keys(values).length > 0)
  const before = Object.values(loop.settings.asFound).some((values) => Object.keys(values).length > 0)
  if (!keyed || before || loop.survey.found?.state !== undefined) return []
  return [
    lookAgain(
      'C072_FOUND_NOT_WRITTEN',
      {
        about: 'found',
        head: 'Keyed, and nobody wrote down what was there.',
        reason: 'Without it there is no way back, and no telling what was wrong.',
        remedy: 'Write down what is still known under \u201cAs found\u201d, or that there was nothing.',
      },
      'survey',
    ),
  ]
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
