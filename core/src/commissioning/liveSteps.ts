import type { LoopContext } from '../loop/context'
import type { ResolvedChain, ResolvedConnection } from '../document/chain'
import { fieldValue } from '../plant/fieldValue'
import type { SupplyVariant } from '../device/deviceProfile'
import { signalSpan } from '../signal/signal'
import { deadTestVerdict, type DeadTestVerdict } from '../wiring/deadTest'
import { voltsToEarth } from '../wiring/groundFault'
import { voltsAcross } from '../wiring/voltsAcross'
import { EXTRA_LOW_V, NEUTRAL_V } from '../units/peopleLimits'
import { powerPaths, supplyOf } from '../wiring/powerPath'
import { supplyVariant } from '../wiring/supplyVariant'
import { deadVoltage, holdsCharge, sourcesToIsolate } from './isolateSteps'
import { powerUp } from './powerUp'
import { protectionSteps } from './protectionSteps'
import type { SafetyStep } from './safetyStep'
import { signOf } from './safetyStep'
import { LICENSED, stepMaker, type StepMaker } from './stepMaker'

const VOLT = { kind: 'number', quantity: 'voltage', low: -1000, high: 1000 } as const

/** A device that waits for its supply, with the pair that takes it. */
interface Fed {
  readonly connection: ResolvedConnection
  readonly variant: SupplyVariant
  readonly volts: number
  readonly current: 'ac' | 'dc'
}

/** How many supplies stand between a device and the root. */
function depthOf(chain: ResolvedChain, device: string, seen: ReadonlySet<string> = new Set()): number {
  const feed = supplyOf(chain, device)
  return feed && !seen.has(device) ? 1 + depthOf(chain, feed.from.device, new Set([...seen, device])) : 0
}

/**
 * First live, by an authorised person, in rounds: measure at the lifted wires, isolate, prove dead, land, power again. Nothing is landed or
 * lifted with the supply on. Supplies go from the root outwards, then signals, then everything is switched on in order.
 */
export function liveSteps(context: LoopContext): readonly SafetyStep[] {
  const { chain, rows } = context
  if (rows.length === 0) return []
  const make = stepMaker('live', context)
  const sign = signOf(rows.map(({ id }) => id))
  const fed = chain.connections.flatMap((connection): (Fed & { depth: number })[] => {
    const { fromPort, toPort, fromDevice } = connection
    if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') return []
    const variant = supplyVariant(fromPort, toPort.variants)
    if (!variant) return []
    const volts = voltsAcross(fromPort)
    return [{ connection, variant, volts, current: fromPort.current, depth: depthOf(chain, fromDevice.id) }]
  })
  const depths = [...new Set(fed.map(({ depth }) => depth))].sort((a, b) => a - b)
  const signals = signalSteps(context, make)
  let round = 0
  const rounds = depths.flatMap((depth) => {
    const mine = fed.filter((each) => each.depth === depth)
    round++
    return [
      ...mine.flatMap((each) => supplySteps(context, make, each)),
      ...(round === 1 ? [...loadPhases(context, make), ...protectionSteps(context, make)] : []),
      ...changeOver(
        context,
        make,
        round,
        mine.map(({ connection: { id } }) => id),
        landWords(mine),
      ),
    ]
  })
  if (depths.length === 0) rounds.push(...loadPhases(context, make), ...protectionSteps(context, make))
  return [
    make.answered(
      {
        id: `authorised:${sign}`,
        group: 'Who',
        title: 'An authorised person switches on',
        doing:
          'Temporary list empty, what the dead tests lifted is back, covers on, nobody at the far ends. Supply wires of devices are lifted and capped, every other wire is landed. Locks taken off by whoever hung them.',
        should: 'Whoever is licensed for it here does it, in person.',
        yes: 'I am authorised',
        no: 'Not yet',
        caution:
          'Mains. Nothing is landed or lifted with the supply on: each round ends with off, locked, proved dead.',
      },
      { code: 'answer.not-authorised', figures: {} },
    ),
    ...rounds,
    ...signals.steps,
    ...(signals.landed.length > 0
      ? changeOver(
          context,
          make,
          round + 1,
          signals.landed,
          `Dead: land the signal wires that were lifted for this round (${signals.tags.join(', ')}), meter out of the loop.`,
        )
      : []),
    ...powerUp(context, make),
    ...loadedSteps(context, make, fed),
  ]
}

/** The end of a round: off and locked, proved dead, what was measured is landed. */
function changeOver(
  context: LoopContext,
  make: StepMaker,
  round: number,
  about: readonly string[],
  land: string,
): SafetyStep[] {
  const key = `${round}:${signOf(about)}`
  const group = `Round ${round}`
  const sources = sourcesToIsolate(context).map(({ tag }) => tag)
  const charged = context.chain.devices.filter(holdsCharge)
  const wait = fieldValue(context.data, 'wait.drive').typical
  return [
    make.answered(
      {
        id: `round-off:${key}`,
        group,
        title: `Round ${round}: off and locked again`,
        doing: `${sources.join(', ')} off, locked, tag hung.${charged.length > 0 ? ` Wait out ${charged.map(({ tag }) => tag).join(', ')}: ${wait} min at least where it has had power.` : ''}`,
        should: 'Off, locked and tagged.',
      },
      { code: 'answer.round-not-off', figures: {} },
    ),
    make.read(
      {
        id: `round-dead:${key}`,
        group,
        title: `Round ${round}: dead again`,
        doing:
          'Tester on a known source, then at the lifted ends: every pole to every pole and to earth; enter the highest. Tester on the known source again.',
        should: 'Dead: 5 V or less.',
        ask: VOLT,
      },
      deadVoltage,
    ),
    make.answered(
      {
        id: `land:${key}`,
        group,
        title: `Round ${round}: land`,
        doing: `${land} Tug each, cover on. Then locks off and power again.`,
        should: 'Landed by its number, tight, covered.',
        yes: 'Landed',
      },
      { code: 'answer.not-landed', figures: {} },
    ),
  ]
}

const landWords = (fed: readonly Fed[]) =>
  `Dead: land ${fed
    .map(({ connection: { toDevice }, variant }) => {
      const label = (t: string) => toDevice.facts.terminals[t]?.label ?? t
      return `the supply of ${toDevice.tag} on ${label(variant.line)} and ${label(variant.neutral)}`
    })
    .join(', ')}.`

/** What should stand between the lifted supply wires of a device, and to earth. */
function supplySteps(
  { words }: LoopContext,
  make: StepMaker,
  { connection, variant, volts, current }: Fed,
): SafetyStep[] {
  const { id, toDevice, fromDevice, fromPort } = connection
  const out = fromPort.kind === 'supply-out' ? fromPort : undefined
  const label = (t: string) => toDevice.facts.terminals[t]?.label ?? t
  const [a, b] = [label(variant.line), label(variant.neutral)]
  const wires = signOf([id, variant.line, variant.neutral])
  const group = 'Supply'
  const low = volts <= EXTRA_LOW_V
  const say = (v: number) => words.say(v, 'voltage', 0)
  const window = `${words.say(variant.lowV, 'voltage', 1)} to ${words.say(variant.highV, 'voltage', 1)}`
  const steps = [
    make.read(
      {
        id: `supply:${wires}`,
        group,
        title: `Supply of ${toDevice.tag}`,
        doing: `Power on. Wires still lifted from ${toDevice.tag} ${a} and ${b}: volts between the two ends${current === 'dc' ? ', plus on plus' : ''}, ${fromDevice.tag} without load.`,
        should: low
          ? `${window}, what ${toDevice.tag} takes, ${current.toUpperCase()}. Without load a small transformer, or a battery that is charged, stands over its name.`
          : `${say(volts)} \u00b1 10 %, ${current.toUpperCase()}.`,
        ask: VOLT,
        caution: LICENSED,
      },
      (reading) =>
        low
          ? windowVerdict(reading, variant, volts, toDevice.tag)
          : deadTestVerdict({ test: 'supply', reading, expected: volts }),
    ),
  ]
  if (low || !out) return steps
  const toEarth = voltsToEarth(out)
  const hot = (key: string, wire: string) =>
    make.read(
      {
        id: `${key}:${wires}`,
        group,
        title: key === 'hots' ? `Other hot of ${toDevice.tag} to earth` : `Line of ${toDevice.tag} to earth`,
        doing: `Volts from the lifted end for ${toDevice.tag} ${wire} to earth.`,
        should: `${say(toEarth)} \u00b1 10 %: this one is ${key === 'hots' ? 'the other hot' : 'the line'}.`,
        ask: VOLT,
        caution: LICENSED,
      },
      (reading) => deadTestVerdict({ test: 'polarity', reading, expected: toEarth }),
    )
  return [
    ...steps,
    hot('polarity', a),
    ...(out.midpoint === undefined
      ? [
          make.read(
            {
              id: `neutral:${wires}`,
              group,
              title: `Neutral of ${toDevice.tag} to earth`,
              doing: `Volts from the lifted end for ${toDevice.tag} ${b} to earth.`,
              should: `Under ${NEUTRAL_V} V: this one is the neutral.`,
              ask: VOLT,
              caution: LICENSED,
            },
            neutralVerdict,
          ),
        ]
      : [hot('hots', b)]),
    ...(variant.l3 !== undefined ? [phaseStep(make, toDevice)] : []),
  ]
}

const phaseStep = (make: StepMaker, { id, tag }: { readonly id: string; readonly tag: string }) =>
  make.answered(
    {
      id: `phases:${id}`,
      group: 'Supply',
      title: `Phase sequence at ${tag}`,
      doing:
        'Phase tester at the lifted supply wires, L1 L2 L3; between each two the same voltage. Never on the output of a drive.',
      should: 'Turns right, three equal voltages.',
      yes: 'Right',
      no: 'Wrong or missing',
      caution: LICENSED,
    },
    { code: 'answer.phases', figures: {} },
  )

/** Three-phase loads on a circuit of their own; what hangs on a drive turns by two motor leads, exchanged dead. */
const loadPhases = ({ chain }: LoopContext, make: StepMaker): SafetyStep[] =>
  powerPaths(chain)
    .filter(({ loadPort, supply }) => loadPort.load.phases === 3 && supply && supply.port.movedBy === undefined)
    .map(({ load }) => phaseStep(make, load))

/** Signals: their source on, their wires lifted where they go; a loop of two wires with the meter in series. */
function signalSteps({ chain }: LoopContext, make: StepMaker) {
  const steps: SafetyStep[] = []
  const landed: string[] = []
  const tags = new Set<string>()
  for (const { id, fromPort, fromDevice, toDevice } of chain.connections) {
    if (fromPort.kind !== 'measure-out' && fromPort.kind !== 'signal-out') continue
    if (fromPort.signal === 'three-point') continue
    const { at0: low, at100: high, unit } = signalSpan(fromPort.signal)
    if (unit !== 'V' && unit !== 'mA') continue
    const quantity = unit === 'V' ? 'voltage' : 'milliamps'
    const inLoop = fromPort.kind === 'measure-out' && fromPort.loop !== undefined
    landed.push(id)
    tags.add(fromDevice.tag)
    steps.push(
      make.read(
        {
          id: `signal:${id}`,
          group: 'Signals',
          title: `Signal of ${fromDevice.tag}`,
          doing: inLoop
            ? `${fromDevice.tag} lives on its loop: with both wires lifted it gives nothing. In the dead pause before: one wire landed at ${toDevice.tag}, the milliammeter between the other and its terminal, in series. Power on, read.`
            : `Wires of ${fromDevice.tag} still lifted at ${toDevice.tag}. Power on: ${unit === 'V' ? 'volts across the two ends' : 'milliamps through the meter between them'}.`,
          should: `${low} to ${high} ${unit}, and it moves when ${fromDevice.facts.category === 'transmitter' ? 'the sensor is warmed or breathed on' : 'its set is moved'}.`,
          ask: { kind: 'number', quantity, low: -100, high: 100 },
          must: false,
        },
        (reading): DeadTestVerdict => {
          const reach = 0.05 * Math.abs(high - low)
          return reading !== null && reading >= Math.min(low, high) - reach && reading <= Math.max(low, high) + reach
            ? {
                verdict: 'good',
                code: 'source.in-window',
                figures: { reading, unit, low, high },
                forbidsEnergising: false,
              }
            : {
                verdict: 'look-again',
                code: 'source.outside',
                figures: { reading, unit, low, high },
                forbidsEnergising: false,
              }
        },
      ),
    )
  }
  return { steps, landed, tags: [...tags] }
}

/** An extra-low supply again with everything on it: by the window of each device. */
function loadedSteps({ words }: LoopContext, make: StepMaker, fed: readonly Fed[]): SafetyStep[] {
  return fed
    .filter(({ volts }) => volts <= EXTRA_LOW_V)
    .map(({ connection: { id, toDevice }, variant, volts }) =>
      make.read(
        {
          id: `loaded:${signOf([id, variant.line, variant.neutral])}`,
          group: 'Supply, loaded',
          title: `Supply of ${toDevice.tag}, loaded`,
          doing: `Everything that hangs on it on: volts at the terminals of ${toDevice.tag}, with guarded tips, nothing lifted.`,
          should: `${words.say(variant.lowV, 'voltage', 1)} to ${words.say(variant.highV, 'voltage', 1)}, what ${toDevice.tag} takes.`,
          ask: VOLT,
          must: false,
        },
        (reading) => windowVerdict(reading, variant, volts, toDevice.tag),
      ),
    )
}

/** Verdict on an extra-low supply by what the device takes, not by the name of the supply. */
function windowVerdict(
  reading: number | null,
  { lowV, highV }: SupplyVariant,
  volts: number,
  tag: string,
): DeadTestVerdict {
  if (reading !== null && reading >= lowV - 1e-9 && reading <= highV + 1e-9)
    return {
      verdict: 'good',
      code: 'supply.in-window',
      figures: { volts: reading, lowV, highV, tag },
      forbidsEnergising: false,
    }
  const near = reading !== null && reading > highV && reading <= OPEN_CIRCUIT * volts
  return near
    ? {
        verdict: 'look-again',
        code: 'supply.high-without-load',
        figures: { volts: reading, tag, highV },
        forbidsEnergising: true,
      }
    : deadTestVerdict({ test: 'supply', reading, expected: (lowV + highV) / 2, tolerance: (highV - lowV) / 2 })
}
/** A small transformer stands up to so many times its name without load. */
const OPEN_CIRCUIT = 1.35

function neutralVerdict(reading: number | null): DeadTestVerdict {
  return reading !== null && Math.abs(reading) < NEUTRAL_V
    ? {
        verdict: 'good',
        code: 'neutral.dead',
        figures: { reading },
        forbidsEnergising: false,
      }
    : {
        verdict: 'stop',
        code: 'neutral.live',
        figures: { reading },
        forbidsEnergising: true,
      }
}
