import { switchingPlans, plansOf } from '../../document/behaviour'
import { type ResolvedConnection, type ResolvedDevice } from '../../document/chain'

import { fieldValue } from '../../plant/fieldValue'
import type { ProbePlace } from '../../device/deviceProfile'
import { readsColdWhenOpen } from '../../probes/readsColdWhenOpen'
import { placeTitles } from '../../device/placeTitles'
import { factsOfKind } from '../../survey/kindFacts'
import { convert } from '../../units/convert'
import { limitersOf, ownProtection } from '../../wiring/protections'
import { powerPaths } from '../../wiring/powerPath'
import { reachOf } from '../../wiring/reach'
import type { LoopContext } from '../context'
import type { Finding } from '../finding'
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
  const { survey, chain, words } = context
  if (!survey) return []
  const { targetC } = survey.seen
  const say = (c: number) => words.say(c, 'temperature', 0)
  const outside = (lowC: number, highC: number) => targetC < lowC || targetC > highC
  const probes = controlling(context).flatMap(({ fromDevice, toDevice, toPort }): Finding[] => {
    const { lowC = -273, highC = 2000 } = fromDevice.facts.probe ?? {}
    const found: Finding[] = []
    if (outside(lowC, highC))
      found.push(
        stop('C012_PROBE_RANGE', {
          about: fromDevice.id,
          head: `${fromDevice.tag} does not bear the target.`,
          reason: `${fromDevice.name} is made for ${say(lowC)} to ${say(highC)}; the target is ${say(targetC)}.`,
          remedy: 'Choose a probe that is made for it.',
        }),
      )
    if (toPort.kind === 'probe-in' && outside(toPort.lowC, toPort.highC))
      found.push(
        stop('C029_INPUT_RANGE', {
          about: toDevice.id,
          head: `${toDevice.tag} does not read the target.`,
          reason: `Its input reads ${say(toPort.lowC)} to ${say(toPort.highC)}; the target is ${say(targetC)}.`,
          remedy: 'Choose a controller with a wider range.',
        }),
      )
    return found
  })
  const sets = chain.devices.flatMap((device): Finding[] => {
    const range = device.facts.controller?.range
    if (!range || !outside(range.lowC, range.highC)) return []
    return [
      stop('C031_SET_RANGE', {
        about: device.id,
        head: `${device.tag} cannot be set to the target.`,
        reason: `${device.name} takes ${say(range.lowC)} to ${say(range.highC)}; the target is ${say(targetC)}.`,
        remedy: 'Choose a controller whose range holds it.',
      }),
    ]
  })
  return [...probes, ...sets]
}

const resolvesTolerance: Rule = ({ survey, chain, loop, words }) => {
  const { tolerance } = loop.survey.answers
  if (!survey || typeof tolerance !== 'number') return []
  return chain.devices.flatMap((device): Finding[] => {
    const { controller } = device.facts
    if (!controller) return []
    const stepK =
      words.preferences.temperatureUnit === 'F'
        ? convert(controller.display.stepF, 'F', 'K', true)
        : controller.display.stepC
    if (stepK <= tolerance) return []
    return [
      lookAgain('C032_STEP_OVER_TOLERANCE', {
        about: device.id,
        head: `${device.tag} steps wider than the tolerance.`,
        reason: `Display step ${words.say(stepK, 'difference')}; may stray ${words.say(tolerance, 'difference')}.`,
        remedy: 'Choose one that shows tenths, or agree a wider tolerance.',
      }),
    ]
  })
}

const accurateEnough: Rule = (context) => {
  const { loop, words, survey } = context
  const swings = switchingPlans(loop.settings.planned).map(({ swingK }) => swingK)
  const { tolerance } = loop.survey.answers
  if (!survey || typeof tolerance !== 'number') return []
  const leastK = Math.min(...swings, Infinity)
  return controlling(context).flatMap(({ fromDevice }): Finding[] => {
    const toleranceK = fromDevice.facts.probe?.toleranceK
    if (toleranceK === undefined) return []
    if (toleranceK > tolerance)
      return [
        lookAgain('C033_PROBE_ACCURACY', {
          about: fromDevice.id,
          head: `${fromDevice.tag} is less sure than what is asked for.`,
          reason: `Good for ${words.say(toleranceK, 'difference', 2)}; may stray ${words.say(tolerance, 'difference', 2)}.`,
          remedy: 'A better probe, or an offset found against a reference thermometer.',
        }),
      ]
    if (toleranceK > leastK)
      return [
        note('C039_ACCURACY_OVER_SWING', {
          about: fromDevice.id,
          head: `The swing is narrower than ${fromDevice.tag} is sure.`,
          reason: `Swing ${words.say(leastK, 'difference', 2)}, probe good for ${words.say(toleranceK, 'difference', 2)}: it switches evenly, but the whole band may lie off.`,
          remedy: 'Find the offset against a reference thermometer in Prove.',
        }),
      ]
    return []
  })
}

const leadLength: Rule = ({ chain, words, data }) =>
  chain.connections.flatMap(({ fromDevice, fromPort, toPort }): Finding[] => {
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
    return [
      lookAgain('C038_LEAD_LONG', {
        about: fromDevice.id,
        head: `Long lead to ${fromDevice.tag}.`,
        reason: `${words.say(leadM, 'length', 0)}; over ${words.say(high, 'length', 0)} it picks up what runs beside it.`,
        remedy: 'Screened pair, shield at one end, away from mains; or a transmitter at the probe.',
      }),
    ]
  })

const feelsRightPlace: Rule = (context) => {
  const { loop } = context
  const wanted = factsOfKind(loop.kind).places(loop.survey.answers)
  return controlling(context).flatMap(({ fromDevice }): Finding[] => {
    const place = placeOf(fromDevice)
    if (!place || wanted.includes(place)) return []
    return [
      lookAgain('C037_FEELS_ELSEWHERE', {
        about: fromDevice.id,
        head: `${fromDevice.tag} feels another place than was chosen.`,
        reason: `It sits in ${placeTitles[place]}; by the survey it belongs in ${wanted.map((p) => placeTitles[p]).join(' or ')}.`,
        remedy: 'Move it, choose another probe, or change the answer.',
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
  chain.devices.flatMap((device): Finding[] =>
    Object.entries(device.facts.ports).flatMap(([portId, port]): Finding[] => {
      if (port.kind !== 'probe-in' || port.feels === undefined) return []
      const connection = chain.connections.find(({ to }) => to.device === device.id && to.port === portId)
      if (!connection) {
        const timed = port.feels === 'coil' && loop.survey.answers['defrost'] === 'time'
        const make = timed ? note : lookAgain
        return [
          make('C062_INPUT_EMPTY', {
            about: `${device.id}.${portId}`,
            head: `Nothing feels ${placeTitles[port.feels]} for ${device.tag}.`,
            reason:
              port.feels === 'coil'
                ? 'Without it defrost ends by its longest time alone.'
                : `${device.name} takes its empty input for a broken probe.`,
            remedy: `Choose a probe for ${placeTitles[port.feels]}, or switch that input off in its menu.`,
          }),
        ]
      }
      const place = placeOf(connection.fromDevice)
      if (!place || place === port.feels || (port.feels === 'pipe' && place === 'pocket')) return []
      return [
        lookAgain('C063_INPUT_ELSEWHERE', {
          about: `${device.id}.${portId}`,
          head: `${connection.fromDevice.tag} sits in ${placeTitles[place]}.`,
          reason: `This input of ${device.tag} is for ${placeTitles[port.feels]}.`,
          remedy: 'Move the probe, or take it to another input.',
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
        head: `A broken probe lets it get ${goes === 'cold' ? 'cold' : 'warm'}.`,
        reason: `The output goes ${plan.probeFault}; what is kept here minds the ${goes === 'cold' ? 'cold' : 'heat'} more.`,
        remedy: offers.includes('duty')
          ? 'Choose the fixed duty on probe fault, and an alarm.'
          : offers.includes('on') && !heats
            ? 'Choose on at probe fault with an end by something else, or an alarm that is heard.'
            : 'An alarm that is heard, or a second thermostat that takes over.',
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
  const connection = chain.connections.find(({ to }) => to.device === plan.input.device && to.port === plan.input.port)
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
      head: `A bad connection at ${connection.fromDevice.tag} reads ${readsCold ? 'cold' : 'hot'}.`,
      reason: `${readsCold ? 'It heats on' : 'It cools on'} before the display says that the probe is broken.`,
      remedy: 'Sound connections, and a high or low alarm outside the working band.',
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
