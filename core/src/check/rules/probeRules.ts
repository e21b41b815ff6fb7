import { answersOf } from '../../kinds/answersOf'
import { displayStepK } from '../../settings/displayStep'
import { feedOf } from '../../document/chain'
import { switchingPlans, plansOf } from '../../settings/behaviour'
import { type ResolvedConnection, type ResolvedDevice } from '../../document/chain'

import { fieldValue } from '../../plant/fieldValue'
import type { ProbePlace } from '../../choices/deviceChoices'
import { readsColdWhenOpen } from '../../probes/readsColdWhenOpen'
import { placeTitles } from '../../choices/placeTitles'
import { factsOfKind } from '../../kinds/kinds'
import { limitersOf, ownProtection } from '../../wiring/protections'
import { powerPaths } from '../../wiring/powerPath'
import { reachOf } from '../../wiring/reach'
import type { LoopContext } from '../../loop/context'
import type { Found } from '../finding'
import { eachPlan, lookAgain, note, type Rule, stop } from './rule'

/** The probe that a control works on: joined to an input that is not for another place. */
function controlling({ chain }: LoopContext): readonly ResolvedConnection[] {
  return chain.connections.filter(
    ({ toPort, toDevice }) => toPort.kind === 'probe-in' && toPort.feels === undefined && toDevice.facts.controller,
  )
}

const placeOf = (device: ResolvedDevice): ProbePlace | undefined =>
  device.sits ?? (Object.keys(device.facts.probe?.places ?? {})[0] as ProbePlace | undefined)

/** The set that a fitter asks for must be one that probe, input and controller can show. */
const rangeCovers: Rule = (context) => {
  const { survey, chain } = context
  if (!survey) return []
  const { targetC } = survey.seen
  const outside = (lowC: number, highC: number) => targetC < lowC || targetC > highC
  const probes = controlling(context).flatMap(({ fromDevice, toDevice, toPort }): Found[] => {
    const { lowC = -273, highC = 2000 } = fromDevice.facts.probe ?? {}
    const found: Found[] = []
    if (outside(lowC, highC))
      found.push(
        stop('C012_PROBE_RANGE', {
          about: fromDevice.id,
          figures: { tag: fromDevice.tag, name: fromDevice.name, lowC, highC, targetC },
        }),
      )
    if (toPort.kind === 'probe-in' && outside(toPort.lowC, toPort.highC))
      found.push(
        stop('C029_INPUT_RANGE', {
          about: toDevice.id,
          figures: { tag: toDevice.tag, lowC: toPort.lowC, highC: toPort.highC, targetC },
        }),
      )
    return found
  })
  const sets = chain.devices.flatMap((device): Found[] => {
    const range = device.facts.controller?.range
    if (!range || !outside(range.lowC, range.highC)) return []
    return [
      stop('C031_SET_RANGE', {
        about: device.id,
        figures: { tag: device.tag, name: device.name, lowC: range.lowC, highC: range.highC, targetC },
      }),
    ]
  })
  return [...probes, ...sets]
}

const resolvesTolerance: Rule = ({ survey, chain, loop, words }) => {
  const { tolerance } = answersOf(loop)
  if (!survey || typeof tolerance !== 'number') return []
  return chain.devices.flatMap((device): Found[] => {
    const { controller } = device.facts
    if (!controller) return []
    const stepK = displayStepK(controller, words.preferences)
    if (stepK <= tolerance) return []
    return [lookAgain('C032_STEP_OVER_TOLERANCE', { about: device.id, figures: { tag: device.tag, stepK, tolerance } })]
  })
}

const accurateEnough: Rule = (context) => {
  const { loop, survey } = context
  const swings = switchingPlans(loop.settings.planned).map(({ swingK }) => swingK)
  const { tolerance } = answersOf(loop)
  if (!survey || typeof tolerance !== 'number') return []
  const leastK = Math.min(...swings, Infinity)
  return controlling(context).flatMap(({ fromDevice }): Found[] => {
    const toleranceK = fromDevice.facts.probe?.toleranceK
    if (toleranceK === undefined) return []
    if (toleranceK > tolerance)
      return [
        lookAgain('C033_PROBE_ACCURACY', {
          about: fromDevice.id,
          figures: { tag: fromDevice.tag, toleranceK, tolerance },
        }),
      ]
    if (toleranceK > leastK)
      return [
        note('C039_ACCURACY_OVER_SWING', {
          about: fromDevice.id,
          figures: { tag: fromDevice.tag, leastK, toleranceK },
        }),
      ]
    return []
  })
}

const leadLength: Rule = ({ chain, data }) =>
  chain.connections.flatMap(({ fromDevice, fromPort, toPort }): Found[] => {
    const { leadM } = fromDevice
    if (leadM === undefined) return []
    const row =
      fromPort.kind === 'probe-out' && fromDevice.facts.probe?.curve.kind !== 'rtd'
        ? 'len.ntc10k'
        : toPort.kind === 'signal-in' || toPort.kind === 'measure-in'
          ? 'len.010'
          : undefined
    if (!row) return []
    const { high } = fieldValue(data, row)
    if (leadM <= high) return []
    return [lookAgain('C038_LEAD_LONG', { about: fromDevice.id, figures: { tag: fromDevice.tag, leadM, mostM: high } })]
  })

const feelsRightPlace: Rule = (context) => {
  const { loop } = context
  const wanted = factsOfKind(loop.kind).places(answersOf(loop))
  return controlling(context).flatMap(({ fromDevice }): Found[] => {
    const place = placeOf(fromDevice)
    if (!place || wanted.includes(place)) return []
    return [
      lookAgain('C037_FEELS_ELSEWHERE', {
        about: fromDevice.id,
        figures: { tag: fromDevice.tag, place, wanted },
        ...(fromDevice.facts.probe?.places?.[wanted[0]!]
          ? {
              fix: {
                do: 'set-device',
                device: fromDevice.id,
                change: { sits: wanted[0]! },
                say: `Put ${fromDevice.tag} into ${placeTitles[wanted[0]!]}`,
              } as const,
            }
          : {}),
      }),
    ]
  })
}

/** An input that is for a place of its own, with a probe that sits elsewhere, or with none. */
const otherInputs: Rule = ({ chain, loop }) =>
  chain.devices.flatMap((device): Found[] =>
    Object.entries(device.facts.ports).flatMap(([portId, port]): Found[] => {
      if (port.kind !== 'probe-in' || port.feels === undefined) return []
      const connection = chain.connections.find(({ to }) => to.device === device.id && to.port === portId)
      if (!connection) {
        const timed = port.feels === 'coil' && answersOf(loop)['defrost'] === 'time'
        const make = timed ? note : lookAgain
        return [
          make('C062_INPUT_EMPTY', {
            about: `${device.id}.${portId}`,
            figures: { feels: port.feels, tag: device.tag, name: device.name },
          }),
        ]
      }
      const place = placeOf(connection.fromDevice)
      if (!place || place === port.feels || (port.feels === 'pipe' && place === 'pocket')) return []
      return [
        lookAgain('C063_INPUT_ELSEWHERE', {
          about: `${device.id}.${portId}`,
          figures: { tag: connection.fromDevice.tag, place, deviceTag: device.tag, feels: port.feels },
        }),
      ]
    }),
  )

/** What a broken probe does to what is kept there. */
const failsSafe = eachPlan((plan, { survey, chain }) => {
  if (!survey?.harm) return []
  const heats = plan.action === 'heating'
  if (plan.probeFault === 'duty' || plan.probeFault === 'last') return []
  const goes = (plan.probeFault === 'on') === heats ? 'heat' : 'cold'
  if (heats && plan.probeFault === 'on') return []
  if (goes !== survey.harm) return []
  const device = chain.devices.find(({ id }) => id === plan.output.device)
  // A bimetal or a capillary has no probe that breaks.
  if (!Object.values(device?.facts.ports ?? {}).some(({ kind }) => kind === 'probe-in')) return []
  const controller = device?.facts.controller
  const offers = Object.values(controller?.faultOutputs ?? {}).map(({ does }) => does)
  return [
    lookAgain(
      'C042_FAILS_THE_WRONG_WAY',
      {
        about: plan.id,
        figures: {
          goes,
          probeFault: plan.probeFault,
          offersDuty: offers.includes('duty'),
          offersOn: offers.includes('on') && !heats,
        },
      },
      'set',
    ),
  ]
})

/** NTC broken reads cold and heats away; platinum broken reads hot, and cooling runs away. */
const probeErrs = eachPlan((plan, { chain, loop }) => {
  // One probe of several stages is told once.
  const first = plansOf(loop.settings.planned).find(
    ({ input }) => input.device === plan.input.device && input.port === plan.input.port,
  )
  if (first?.id !== plan.id) return []
  const connection = feedOf(chain, plan.input)
  const curve = connection?.fromDevice.facts.probe?.curve
  const readsCold = curve && readsColdWhenOpen(curve)
  if (!connection || readsCold === undefined) return []
  if (readsCold !== (plan.action === 'heating')) return []
  const guarded =
    plan.action === 'heating' &&
    reachOf(chain, plan.output).every(
      ({ device }) =>
        ownProtection(device.facts) !== undefined ||
        powerPaths(chain).some((line) => line.load.id === device.id && limitersOf(chain, line).length > 0),
    )
  if (guarded) return []
  return [
    (plan.action === 'cooling' ? note : lookAgain)('C064_PROBE_ERRS', {
      about: plan.id,
      figures: { tag: connection.fromDevice.tag, readsCold },
    }),
  ]
})

/** Rules about what feels the temperature. */
export const probeRules: readonly Rule[] = [
  rangeCovers,
  resolvesTolerance,
  accurateEnough,
  leadLength,
  feelsRightPlace,
  otherInputs,
  failsSafe,
  probeErrs,
]
