import { answersOf } from '../../kinds/answersOf'
import { movedBy } from '../../kinds/movedBy'
import { dutyOf } from '../../device/duty'
import { workingPort } from '../../device/withNameplate'
import { plateContradiction } from '../plateContradiction'
import { goesAgainst } from '../../device/goesWith'
import { factsOfKind } from '../../kinds/kinds'
import { plansOf } from '../../settings/behaviour'
import { controlOutputs, reachOf } from '../../wiring/reach'
import { platesFor } from '../../survey/plates'
import { siteQuestions } from '../../kinds/commonQuestions'
import { atHand, supplyOutOf } from '../../survey/atHand'
import { loadLogics } from '../../wiring/loadLogic'
import { suitsPractice } from '../../device/suitsPractice'
import { practicePlaces, standardTitles } from '../../units/practice'
import type { Found } from '../finding'
import { wantedLike } from '../fix'
import { foreignMains } from '../practiceMisfits'
import { answered, lookAgain, type Rule } from './rule'

/** Plates that differ from the survey by less are one power: elements are made so. */
const SAME_SHARE = 0.1

/** A power that the survey and the plates of the loads tell otherwise. */
const powersAgree: Rule = ({ survey, chain, words }) => {
  const figure = survey?.figures['power']
  const told = figure?.told
  if (!figure || told?.answeredW === undefined || told.platesW === undefined) return []
  const { answeredW, platesW, effects, alsoW } = told
  if (Math.abs(platesW - answeredW) <= SAME_SHARE * answeredW) return []
  const loads = chain.devices.filter(({ facts }) => dutyOf(facts, effects) > 0)
  const plates = platesFor(chain, effects, Math.max(0, answeredW - alsoW))
  const tags = loads.map(({ tag }) => tag)
  // What counts is made the other's too.
  const byPlates = figure.source === 'nameplate'
  return [
    lookAgain(
      'C143_POWERS_DIFFER',
      {
        about: 'power',
        figures: { answeredW, measured: figure.source === 'measured', platesW, tags, countsW: figure.value },
        fix: byPlates
          ? {
              ...{ do: 'answer', question: 'power', value: platesW },
              say: `Take ${words.say(platesW, 'power')} into the survey`,
            }
          : {
              ...{ do: 'plates', plates },
              say: `Write ${words.say(answeredW, 'power')} on the ${tags.length > 1 ? 'plates' : 'plate'} of ${tags.join(' and ')}`,
            },
      },
      'match',
    ),
  ]
}

/** A plate whose power its own volts and amperes do not carry, or a heater's that is less than they do. */
const platesAgree: Rule = ({ chain }) =>
  chain.devices.flatMap(({ id, tag, facts }) => {
    const port = workingPort(facts)
    const base = port === undefined ? undefined : facts.ports[port]
    if (base?.kind !== 'load' || base.load.amps === undefined) return []
    const { powerW, volts, amps, phases = 1 } = base.load
    const carriesW = plateContradiction(base.load)
    return carriesW === undefined
      ? []
      : [
          lookAgain('C154_PLATE_CONTRADICTS', {
            about: id,
            figures: { tag, powerW, volts, amps, carriesW },
            worked: [{ calc: 'electric.load', input: { volts, phases, amps }, output: 'powerW' }],
          }),
        ]
  })

/** Air that the survey and the plates of the fans tell otherwise. */
const airAgrees: Rule = ({ survey, chain, words }) => {
  const figure = survey?.figures['airFlow']
  const platesM3h = movedBy(chain.devices)
  if (!figure || figure.source === 'chain' || platesM3h === 0) return []
  if (Math.abs(platesM3h - figure.value) <= SAME_SHARE * figure.value) return []
  const tags = chain.devices.flatMap((device) => (movedBy([device]) > 0 ? [device.tag] : []))
  return [
    lookAgain(
      'C149_AIR_DIFFERS',
      {
        about: 'airFlow',
        figures: { answeredM3h: figure.value, measured: figure.source === 'measured', platesM3h, tags },
        fix: {
          ...{ do: 'answer', question: 'airFlow', value: platesM3h },
          say: `Take ${words.say(platesM3h, 'airFlow')} into the survey`,
        },
      },
      'match',
    ),
  ]
}

/** A circuit of a voltage that the survey did not find. */
const suppliesAtHand: Rule = ({ chain, loop }) => {
  const answers = answersOf(loop)
  const mains = siteQuestions.find(({ id }) => id === 'mainsAtHand')
  const found = mains?.ask === 'choice' ? mains.choices[String(answers['mainsAtHand'])]?.title : undefined
  if (found === undefined) return []
  return chain.devices.flatMap(({ id, tag, facts }): Found[] => {
    const out = supplyOutOf(facts)
    if (!out || facts.category !== 'supply' || atHand(answers, facts)) return []
    return [lookAgain('C144_NOT_AT_HAND', { about: id, figures: { tag, volts: out.volts, found } })]
  })
}

/** A device that is made for another wiring standard than the job's: it was landed there, or the practice was changed since. */
const ofThisPractice: Rule = ({ chain, job, loop }) => {
  const of = practicePlaces[job.practice]
  const found = foreignMains(loop, job.practice)
  const answered =
    found === undefined
      ? []
      : [lookAgain('C157_MAINS_OF_OTHER_PRACTICE', { about: 'mainsAtHand', figures: { found, job: of } }, 'survey')]
  return [
    ...answered,
    ...chain.devices.flatMap(({ id, tag, name, facts, shared }): Found[] =>
      facts.standard === undefined || suitsPractice(facts, job.practice)
        ? []
        : [
            lookAgain('C156_OTHER_PRACTICE', {
              about: id,
              figures: { tag, name, own: standardTitles[facts.standard], job: of },
              // A supply feeds other loops too: what stands in its place there is not tried from here.
              ...(shared
                ? {}
                : { fix: { do: 'replace', device: id, wants: wantedLike({ facts }, loop.kind) } as const }),
            }),
          ],
    ),
  ]
}

/** A control that is fed through a neutral or a common wire, where the survey found none. */
const returnWireThere: Rule = (context) => {
  if (answered(context, 'returnWire') !== 'none') return []
  const { chain, rows } = context
  return chain.devices.flatMap(({ id, tag, facts }): Found[] => {
    if (facts.category !== 'controller') return []
    const row = rows.find(({ role, from, to }) => role === 'neutral' && (from.device === id || to.device === id))
    if (!row) return []
    const { label } = row.from.device === id ? row.from : row.to
    return [
      lookAgain('C158_NO_RETURN_WIRE', {
        about: id,
        figures: { tag, terminal: label, mains: row.circuit === 'mains' },
      }),
    ]
  })
}

/** A load of the loop's control that is another sort than the survey found: a cast boiler where a condensing one was answered. */
const loadsAsAnswered: Rule = ({ chain, loop, words }) => {
  const [first] = plansOf(loop.settings.planned)
  const answers = answersOf(loop)
  const driven = chain.devices
    .filter(({ id }) => id === first?.output.device)
    .flatMap((device) => controlOutputs(device).flatMap((port) => reachOf(chain, { device: device.id, port })))
    .map(({ device }) => device)
  return [...new Set(driven)].flatMap(({ id, tag, name, facts }): Found[] => {
    const against = goesAgainst(facts, answers)
    const question = factsOfKind(loop.kind).questions.find((each) => each.id === against)
    if (question?.ask !== 'choice') return []
    const titleOf = (answer: string) => {
      const title = question.choices[answer]?.title
      return title && words.tell(title)
    }
    const suits = Object.keys(facts.goesWith?.[question.id] ?? {}).filter((answer) => titleOf(answer) !== undefined)
    const answered = titleOf(String(answers[question.id]))
    const [only] = suits
    if (answered === undefined || only === undefined) return []
    return [
      lookAgain('C148_OTHER_THAN_ANSWERED', {
        about: id,
        figures: { tag, name, question: question.title, answered, suits: suits.map((answer) => titleOf(answer)!) },
        ...(suits.length === 1
          ? { fix: { do: 'answer', question: question.id, value: only, say: `Answer ${titleOf(only)}` } }
          : {}),
      }),
    ]
  })
}

/** Goods that bear less than they are to be held at: two answers that cannot both be kept. */
const goodsBearIt: Rule = (context) => {
  const [target, tolerance, most] = (['target', 'tolerance', 'most'] as const).map((id) => answered(context, id))
  if (typeof target !== 'number' || typeof tolerance !== 'number' || typeof most !== 'number') return []
  if (target + tolerance <= most) return []
  return [lookAgain('C150_GOODS_BEAR_LESS', { about: 'most', figures: { target, tolerance, most } }, 'survey')]
}

/** What blows cold by compressed air needs it, dry and clean. */
const airAtHand: Rule = (context) => {
  const air = answered(context, 'compressedAir')
  if (answered(context, 'cooler') !== 'air' || (air !== 'no' && air !== 'poor')) return []
  return [lookAgain('C145_NO_COMPRESSED_AIR', { about: 'air', figures: { poor: air === 'poor' } }, 'survey')]
}

/** A battery that does not last as long as was asked for. */
const lastsTheNight: Rule = (context) => {
  const wanted = answered(context, 'hoursWanted')
  const lasts = context.survey?.lines.find(({ id }) => id === 'batteryLasts')
  if (typeof wanted !== 'number' || !lasts || lasts.value >= wanted) return []
  const { value: hours, worked } = lasts
  const capacityAh = Number(answered(context, 'batteryAh'))
  return [
    lookAgain(
      'C146_BATTERY_TOO_SMALL',
      {
        about: 'battery',
        figures: { hours, wanted, capacityAh, needsAh: (capacityAh * wanted) / hours },
        ...(worked ? { worked: [worked] } : {}),
      },
      'survey',
    ),
  ]
}

/** Moved air carries the heat off: without its fan an element burns what it hangs on. */
const fanProved: Rule = (context) => {
  if (answered(context, 'circulates') !== 'fan') return []
  return loadLogics(context.chain)
    .filter(
      ({ port, protects }) =>
        port.does === 'element' && !protects.some(({ device }) => device.facts.permissive?.senses === 'air-flow'),
    )
    .map(({ load }) => lookAgain('C147_HEATS_WITHOUT_FAN', { about: load.id, figures: { tag: load.tag } }))
}

/** Rules about figures that have more than one source, and answers that the chain does not follow. */
export const factRules: readonly Rule[] = [
  loadsAsAnswered,
  powersAgree,
  platesAgree,
  airAgrees,
  goodsBearIt,
  suppliesAtHand,
  ofThisPractice,
  returnWireThere,
  airAtHand,
  lastsTheNight,
  fanProved,
]
