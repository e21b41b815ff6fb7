import type { LoopContext } from '../check/context'
import { deadTestVerdict, type DeadTestVerdict } from '../wiring/deadTest'
import { signalSpan } from '../signal/signal'
import { supplyVariant } from '../wiring/supplyVariant'
import { powerUp } from './powerUp'
import type { SafetyStep } from './safetyStep'
import { signOf } from './safetyStep'
import { stepMaker } from './stepMaker'

const VOLT = { kind: 'number', quantity: 'voltage', low: -1000, high: 1000 } as const

/**
 * First live, by an authorised person: supply at the lifted wire, polarity, phases, signal sources, then one device after another.
 * Each is held against the plan before the device is connected.
 */
export function liveSteps(context: LoopContext): readonly SafetyStep[] {
  const { loop, chain, rows, words } = context
  if (rows.length === 0) return []
  const make = stepMaker('live', loop)
  const sign = signOf(rows.map(({ id }) => id))
  const steps: SafetyStep[] = [
    make.answered(
      {
        id: `authorised:${sign}`,
        group: 'Who',
        title: 'An authorised person switches on',
        doing: 'Covers on, nobody at the far ends, temporary bridges off, locks taken off by whoever hung them.',
        should: 'Whoever is licensed for it here does it, in person.',
        yes: 'I am authorised',
        no: 'Not yet',
        caution: 'Mains. Test leads with guarded tips, one hand, dry floor.',
      },
      'Only an authorised person goes on.',
    ),
  ]
  for (const { id, fromPort, toPort, fromDevice, toDevice } of chain.connections) {
    if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') continue
    const variant = supplyVariant(fromPort, toPort.variants)
    if (!variant) continue
    const [a, b] = [variant.line, variant.neutral].map((t) => toDevice.facts.terminals[t]?.label ?? t)
    const mains = fromPort.volts > 50
    const wires = signOf([id, variant.line, variant.neutral])
    steps.push(
      make.read(
        {
          id: `supply:${wires}`,
          group: 'Supply',
          title: `Supply of ${toDevice.tag}`,
          doing: `Wires lifted from ${toDevice.tag} ${a} and ${b}, ${fromDevice.tag} on: volts between the two wires${fromPort.current === 'dc' ? ', plus on plus' : ''}.`,
          should: `${words.say(fromPort.volts, 'voltage', 0)} \u00b1 10 %, ${fromPort.current.toUpperCase()}.`,
          ask: VOLT,
        },
        (reading) => deadTestVerdict({ test: 'supply', reading, expected: fromPort.volts }),
      ),
    )
    if (!mains) continue
    steps.push(
      make.read(
        {
          id: `polarity:${wires}`,
          group: 'Supply',
          title: `Line of ${toDevice.tag} to earth`,
          doing: `Volts from the wire for ${toDevice.tag} ${a} to earth.`,
          should: `${words.say(fromPort.volts, 'voltage', 0)} \u00b1 10 %: this one is the line.`,
          ask: VOLT,
        },
        (reading) => deadTestVerdict({ test: 'polarity', reading, expected: fromPort.volts }),
      ),
      make.read(
        {
          id: `neutral:${wires}`,
          group: 'Supply',
          title: `Neutral of ${toDevice.tag} to earth`,
          doing: `Volts from the wire for ${toDevice.tag} ${b} to earth.`,
          should: `Under ${NEUTRAL_V} V: this one is the neutral.`,
          ask: VOLT,
        },
        neutralVerdict,
      ),
    )
  }
  const three = chain.devices.filter(({ facts }) =>
    Object.values(facts.ports).some(
      (port) =>
        (port.kind === 'supply-in' && Object.values(port.variants).some(({ l3 }) => l3 !== undefined)) ||
        (port.kind === 'load' && port.load.phases === 3),
    ),
  )
  for (const device of three)
    steps.push(
      make.answered(
        {
          id: `phases:${device.id}`,
          group: 'Phases',
          title: `Phase sequence at ${device.tag}`,
          doing: 'Phase tester at the lifted wires, L1 L2 L3; between each two the same voltage.',
          should: 'Turns right, three equal voltages.',
          yes: 'Right',
          no: 'Wrong or missing',
        },
        'A phase is missing or two are swapped: isolate, swap two, prove again.',
      ),
    )
  for (const { id, fromPort, fromDevice, toDevice } of chain.connections) {
    if (fromPort.kind !== 'measure-out' && fromPort.kind !== 'signal-out') continue
    if (fromPort.signal === 'three-point') continue
    const { at0: low, at100: high, unit } = signalSpan(fromPort.signal)
    if (unit !== 'V' && unit !== 'mA') continue
    const quantity = unit === 'V' ? 'voltage' : 'milliamps'
    steps.push(
      make.read(
        {
          id: `signal:${id}`,
          group: 'Signals',
          title: `Signal of ${fromDevice.tag}`,
          doing: `Wires lifted at ${toDevice.tag}, ${fromDevice.tag} on: ${unit === 'V' ? 'volts across them' : 'milliamps through the meter'}.`,
          should: `${low} to ${high} ${unit}, and it moves when ${fromDevice.facts.category === 'transmitter' ? 'the sensor is warmed or breathed on' : 'its set is moved'}.`,
          ask: { kind: 'number', quantity, low: -100, high: 100 },
          must: false,
        },
        (reading): DeadTestVerdict => {
          const reach = 0.05 * Math.abs(high - low)
          const told = reading === null ? 'over-range' : `${Number(reading.toPrecision(3))} ${unit}`
          return reading !== null && reading >= Math.min(low, high) - reach && reading <= Math.max(low, high) + reach
            ? {
                verdict: 'good',
                cause: `${told} lies in ${low} to ${high} ${unit}.`,
                next: 'Connect it.',
                forbidsEnergising: false,
              }
            : {
                verdict: 'look-again',
                cause: `${told} is outside ${low} to ${high} ${unit}: another signal, reversed, or no source.`,
                next: 'Look at plus and minus and at how the source is set, before it is connected.',
                forbidsEnergising: false,
              }
        },
      ),
    )
  }
  return [...steps, ...powerUp(context, make)]
}

/** A neutral carries little against earth, V. */
const NEUTRAL_V = 10
function neutralVerdict(reading: number | null): DeadTestVerdict {
  const told = reading === null ? 'over-range' : `${Number(reading.toPrecision(3))} V`
  return reading !== null && Math.abs(reading) < NEUTRAL_V
    ? { verdict: 'good', cause: `${told}: the neutral.`, next: 'Next.', forbidsEnergising: false }
    : {
        verdict: 'stop',
        cause: `${told} on the neutral: line and neutral are swapped, or the neutral is broken.`,
        next: 'Not proved: isolate, lock, mend it, prove dead again.',
        forbidsEnergising: true,
      }
}
