import type { LoopContext } from '../check/context'
import type { ResolvedDevice } from '../job/chain'
import { fieldValue } from '../plant/fieldValue'
import type { LoadPort } from '../profile/deviceProfile'
import { probeCurve } from '../probes/probeCurve'
import { deadTestVerdict, type DeadTestVerdict, ohmWords } from '../wiring/deadTest'
import { judgeRow } from '../wiring/judgeRow'
import { powerPaths } from '../wiring/powerPath'
import { coreOhm } from '../wiring/wireResistance'
import type { WireRow } from '../wiring/wireRow'
import { type SafetyStep, signOf } from './safetyStep'
import { type Judge, stepMaker } from './stepMaker'

const OHM = { kind: 'number', quantity: 'resistance', low: 0, high: 1e12 } as const
const MEGOHM = { kind: 'number', quantity: 'insulation', low: 0, high: 1e13 } as const
const ids = (rows: readonly WireRow[]) => rows.map(({ id }) => id)

/** What a load measures between its two terminals, cold; undefined where its plate does not tell. Formula: U\u00b2 / P. */
export function loadOhm({ load }: Pick<LoadPort, 'load'>): number | undefined {
  return load.kind === 'resistive' && load.powerW > 0 && (load.phases ?? 1) === 1
    ? (load.volts * load.volts) / load.powerW
    : undefined
}

/** Devices that insulation voltage would break: controllers, drives, electronic fans, power supplies, solid-state relays. */
export const electronicsOf = (devices: readonly ResolvedDevice[]) =>
  devices.filter(
    ({ facts }) =>
      facts.controller !== undefined ||
      facts.category === 'drive' ||
      facts.category === 'transmitter' ||
      Object.values(facts.ports).some(
        (port) =>
          port.kind === 'signal-in' ||
          (port.kind === 'supply-out' && port.current === 'dc' && port.batteryAh === undefined) ||
          (port.kind === 'contact' && port.solidState !== undefined),
      ),
  )

/** One terminal in words. */
const at = ({ tag, label }: WireRow['from']) => `${tag} ${label}`

function earthSteps(context: LoopContext, make: ReturnType<typeof stepMaker>): SafetyStep[] {
  return context.rows
    .filter(({ role }) => role === 'earth')
    .map((row) => {
      const { lengthM, sizeMm2, assumed } = judgeRow(context, row)
      const expected = coreOhm(lengthM, sizeMm2)
      const limit = expected + fieldValue(context.data, 'pe.limit').typical
      return make.read(
        {
          id: `earth:${row.id}`,
          group: 'Earth',
          title: `Earth of ${row.to.tag}`,
          doing: `Low-ohm tester, leads nulled: earth bar at ${row.from.tag} to bare metal of ${row.to.tag} ${row.to.deviceName}.`,
          should: `At most ${ohmWords(limit)}: ${context.words.say(lengthM, 'length')} of ${context.words.say(sizeMm2, 'section')}${assumed ? ' assumed' : ''} and its clamps.`,
          ask: OHM,
        },
        (reading) => deadTestVerdict({ test: 'earth', reading, expected }),
      )
    })
}

function rowsStep(context: LoopContext): SafetyStep {
  const verdicts = context.rows.map((row) => ({ row, ...judgeRow(context, row) }))
  const bad = verdicts.filter(({ verdict }) => verdict === 'stop')
  const left = verdicts.filter(({ verdict }) => verdict === 'waiting')
  return {
    id: 'rows',
    block: 'dead',
    group: 'Rows',
    title: 'Every wire, end to end',
    doing: 'In the list: lift one end, ohms from end to end, row by row.',
    should: 'Every row under its limit.',
    ask: { kind: 'rows' },
    must: true,
    verdict: bad.length > 0 ? 'stop' : left.length > 0 ? 'waiting' : 'good',
    forbids: bad.length > 0,
    ...(bad.length > 0
      ? {
          cause: `Wire ${bad.map(({ row }) => row.number).join(', ')} failed.`,
          next: 'Not proved: do not energise. Mend it and measure again.',
        }
      : left.length > 0
        ? {}
        : { cause: `All ${verdicts.length} wires are through.`, next: 'Next test.' }),
  }
}

/** Verdict on a load between its own two terminals: its ohms are expected, a dead short is not. */
function acrossLoad(tag: string, expected: number | undefined): Judge {
  return (reading): DeadTestVerdict => {
    if (expected !== undefined && (reading === null || reading > 10 * expected))
      return {
        verdict: 'look-again',
        cause: `${tag} reads ${ohmWords(reading)}, its plate gives ${ohmWords(expected)}.`,
        next: 'Open: a broken element, a cut-out that has tripped, or a lifted wire.',
        forbidsEnergising: false,
      }
    if (expected !== undefined) return deadTestVerdict({ test: 'separation', reading, loadOhm: expected })
    if (reading !== null && reading < LEAST_OHM)
      return {
        verdict: 'stop',
        cause: `${ohmWords(reading)} across ${tag}: shorted, no coil or motor reads so little.`,
        next: 'Not proved: do not energise. Lift the load and measure wire and load apart.',
        forbidsEnergising: true,
      }
    return {
      verdict: 'good',
      cause: `${ohmWords(reading)} across ${tag}: no short. Its plate tells no ohms to hold it against.`,
      next: 'Note it for the next visit.',
      forbidsEnergising: false,
    }
  }
}
const LEAST_OHM = 1

function separationSteps(context: LoopContext, make: ReturnType<typeof stepMaker>): SafetyStep[] {
  const { rows, chain } = context
  const apart: Judge = (reading) => deadTestVerdict({ test: 'separation', reading })
  const mains = rows.filter(({ circuit, role }) => circuit === 'mains' && role !== 'earth' && role !== 'screen')
  const low = rows.filter(({ circuit, role }) => circuit === 'extra-low' && role !== 'screen')
  const sources = [...new Set(mains.flatMap(({ source }) => (source ? [source.tag] : [])))]
  const loads = powerPaths(chain).filter(
    ({ connections, loadPort }) =>
      connections.length > 0 && !(loadPort.does === 'none' && loadPort.load.kind !== 'coil'),
  )
  return [
    ...loads.map(({ load, loadPort, portId }) => {
      const mine = rows.filter(({ serves }) => serves.includes(`${load.id}.${portId}`))
      const expected = loadOhm(loadPort)
      const [a, b] = [loadPort.line, loadPort.neutral].map((t) => load.facts.terminals[t]?.label ?? t)
      return make.read(
        {
          id: `load:${load.id}.${portId}:${signOf(ids(mine))}`,
          group: 'Separation',
          title: `Across ${load.tag}`,
          doing: `All contacts open. Ohms at ${load.tag} ${load.name}, ${a} to ${b}.`,
          should:
            expected === undefined
              ? 'A coil or a motor reads some ohms, electronics more: never a dead short.'
              : `About ${ohmWords(expected)}: the load itself, no short.`,
          ask: OHM,
          hunt: load.id,
        },
        acrossLoad(load.tag, expected),
      )
    }),
    ...sources.flatMap((tag) => {
      const mine = mains.filter(({ source }) => source?.tag === tag)
      const sign = signOf(ids(mine))
      const step = (a: string, b: string, doing: string) =>
        make.read(
          {
            id: `apart:${tag}:${a}-${b}:${sign}`,
            group: 'Separation',
            title: `${tag}: ${a} to ${b}`,
            doing,
            should: 'Over 1 Mohm, or over-range.',
            ask: OHM,
            hunt: tag,
          },
          apart,
        )
      return [
        step(
          'L',
          'PE',
          `Contacts closed by hand or bridged for the test, ohms from L behind ${tag} to earth. Put every bridge on the temporary list.`,
        ),
        step('N', 'PE', `N lifted at ${tag}, ohms from it to earth.`),
        step(
          'L',
          'N',
          `N lifted, loads and electronics lifted, ohms from L to N behind ${tag}. A load that stays on explains its own ohms.`,
        ),
      ]
    }),
    ...(mains.length > 0 && low.length > 0
      ? [
          make.read(
            {
              id: `apart:mains-low:${signOf(ids([...mains, ...low]))}`,
              group: 'Separation',
              title: 'Mains to extra-low voltage',
              doing:
                'L and N joined, against each extra-low terminal in turn: probes, signals, 24 V. Enter the lowest.',
              should: 'Over 1 Mohm, or over-range.',
              ask: OHM,
            },
            apart,
          ),
        ]
      : []),
  ]
}

/** The neutral of each load really is the neutral: through at once, not through the load. */
function polaritySteps(context: LoopContext, make: ReturnType<typeof stepMaker>): SafetyStep[] {
  return context.rows
    .filter(({ role, circuit, serves }) => role === 'neutral' && circuit === 'mains' && serves.length > 0)
    .map((row) => {
      const { limitOhm } = judgeRow(context, row)
      return make.read(
        {
          id: `polarity:${row.id}`,
          group: 'Polarity',
          title: `Neutral of ${row.to.tag}`,
          doing: `All contacts open. Ohms from ${at(row.from)} to ${at(row.to)}: the neutral, past no contact.`,
          should: `Under ${ohmWords(limitOhm)}.`,
          ask: OHM,
        },
        (reading): DeadTestVerdict =>
          reading !== null && reading <= limitOhm
            ? {
                verdict: 'good',
                cause: `${ohmWords(reading)}: the neutral is whole and unswitched.`,
                next: 'Next test.',
                forbidsEnergising: false,
              }
            : {
                verdict: 'stop',
                cause: `${ohmWords(reading)} instead of under ${ohmWords(limitOhm)}: line and neutral are swapped at ${row.to.tag}, or a contact stands in the neutral.`,
                next: 'Not proved: do not energise. Swap them, the contact belongs in the line.',
                forbidsEnergising: true,
              },
      )
    })
}

function insulationSteps(context: LoopContext, make: ReturnType<typeof stepMaker>): SafetyStep[] {
  const { rows, chain } = context
  const steps: SafetyStep[] = []
  const circuits = (['mains', 'extra-low'] as const).flatMap((circuit) => {
    const mine = rows.filter((row) => row.circuit === circuit && row.role !== 'screen' && row.role !== 'earth')
    return mine.length === 0 ? [] : [{ circuit, mine }]
  })
  if (circuits.length === 0) return []
  const lift = electronicsOf(chain.devices)
  const sign = signOf(ids(rows))
  const lifted = `lifted:${sign}`
  steps.push(
    make.answered(
      {
        id: lifted,
        group: 'Insulation',
        title: 'Lift the electronics',
        doing:
          lift.length === 0
            ? 'Nothing in this list has electronics that the test voltage would break; look for surge protectors.'
            : `Unplug or lift ${lift.map(({ tag, name }) => `${tag} ${name}`).join(', ')}, and any surge protector. Each goes on the temporary list.`,
        should: 'Only wires, contacts, coils and elements are left.',
        yes: 'Lifted',
      },
      'Electronics are still connected: the test voltage would break them.',
    ),
  )
  const separated = chain.devices.every(({ facts }) =>
    Object.values(facts.ports).every(
      (port) => port.kind !== 'supply-out' || port.volts > 50 || port.safety === true || port.batteryAh !== undefined,
    ),
  )
  for (const { circuit, mine } of circuits) {
    // An extra-low circuit that is not safely separated is tested at the voltage of what stands behind it.
    const as = circuit === 'extra-low' && !separated ? 'mains' : circuit
    const testV = as === 'mains' ? 500 : 250
    steps.push(
      make.read(
        {
          id: `insulation:${circuit}:${signOf(ids(mine))}`,
          group: 'Insulation',
          title: circuit === 'mains' ? 'Insulation of mains' : 'Insulation of extra-low voltage',
          doing: `${testV} V DC: ${circuit === 'mains' ? 'L and N joined' : 'all cores joined'}, against earth. Never on the output of a drive. Discharge afterwards.${
            as === circuit ? '' : ' It is not safely separated, so its primary\u2019s voltage counts.'
          }`,
          should:
            as === 'mains'
              ? 'At least 1 Mohm; new wiring shows over 20.'
              : 'At least 0.5 Mohm; new wiring shows over 5.',
          ask: MEGOHM,
          caution: 'The tester itself puts out a shock: nobody touches the circuit, discharge it afterwards.',
        },
        (reading) =>
          deadTestVerdict({
            test: 'insulation',
            reading,
            circuit: as,
            testV,
            electronicsConnected: !make.isYes(lifted),
          }),
      ),
    )
  }
  return steps
}

function probeSteps(context: LoopContext, make: ReturnType<typeof stepMaker>): SafetyStep[] {
  const { chain, data, words } = context
  const within = fieldValue(data, 'probe.dead')
  return chain.connections.flatMap(({ fromPort, fromDevice, toDevice, toPort, id }): SafetyStep[] => {
    if (fromPort.kind !== 'probe-out' || toPort.kind !== 'probe-in' || !fromDevice.facts.probe) return []
    const { curve } = fromDevice.facts.probe
    const tag = fromDevice.tag
    const both = `Lift both leads of ${tag} ${fromDevice.name} at ${toDevice.tag}.`
    if (curve.kind === 'thermocouple')
      return [
        make.read(
          {
            id: `probe:${id}`,
            group: 'Probes',
            title: `Thermocouple ${tag}`,
            doing: `${both} Ohms across its wires, both ways round; take the mean.`,
            should: `Under ${COUPLE_OHM} ohm: the loop is whole. Polarity shows at first live.`,
            ask: OHM,
            must: false,
          },
          (reading): DeadTestVerdict =>
            reading !== null && reading < COUPLE_OHM
              ? {
                  verdict: 'good',
                  cause: `Whole: ${ohmWords(reading)}.`,
                  next: 'Next probe.',
                  forbidsEnergising: false,
                }
              : {
                  verdict: 'look-again',
                  cause: `${ohmWords(reading)}: the couple is broken, or a joint is loose.`,
                  next: 'Look at the joints; compensating cable of the same type all the way.',
                  forbidsEnergising: false,
                },
        ),
      ]
    const now = `probe-now:${id}`
    const nowC = make.valueOf(now)
    const { resistance: ohmAt, lowC, highC } = probeCurve(curve)
    const asked = make.read(
      {
        id: now,
        group: 'Probes',
        title: `Temperature at ${tag} now`,
        doing: `Reference thermometer beside ${tag}, settled.`,
        should: `Between ${words.say(lowC, 'temperature', 0)} and ${words.say(highC, 'temperature', 0)}, where its table runs.`,
        ask: { kind: 'number', quantity: 'temperature', low: lowC, high: highC },
        must: false,
      },
      () => ({ verdict: 'good', cause: 'Taken.', next: 'Now the ohms.', forbidsEnergising: false }),
    )
    if (nowC === undefined || nowC < lowC || nowC > highC)
      return [
        asked,
        make.read(
          {
            id: `probe:${id}`,
            group: 'Probes',
            title: `Probe ${tag}`,
            doing: `${both} Ohms across them.`,
            should: 'Follows from the temperature beside it: enter that first.',
            ask: OHM,
            must: false,
          },
          (reading) => ({
            verdict: 'look-again',
            cause: `${ohmWords(reading)} read, but no temperature to hold it against.`,
            next: 'Enter the temperature at the probe.',
            forbidsEnergising: false,
          }),
        ),
      ]
    const expected = ohmAt(nowC)
    const span = (k: number) => ohmAt(Math.min(highC, Math.max(lowC, nowC + k)))
    const tolerance = Math.abs(span(within.high) - span(-within.high)) / 2
    return [
      asked,
      make.read(
        {
          id: `probe:${id}`,
          group: 'Probes',
          title: `Probe ${tag}`,
          doing: `${both} Ohms across them.`,
          should: `${ohmWords(expected)} \u00b1 ${ohmWords(tolerance)} at ${words.say(nowC, 'temperature')}.`,
          ask: OHM,
          must: false,
        },
        (reading) => deadTestVerdict({ test: 'probe', reading, expected, tolerance }),
      ),
    ]
  })
}
/** Loop of a thermocouple with some metres of cable stays under this, ohm. */
const COUPLE_OHM = 100

/** The dead tests in their order: earth first, then rows, separation, polarity, insulation, probes. */
export function deadSteps(context: LoopContext): readonly SafetyStep[] {
  if (context.rows.length === 0) return []
  const make = stepMaker('dead', context.loop)
  return [
    ...earthSteps(context, make),
    rowsStep(context),
    ...separationSteps(context, make),
    ...polaritySteps(context, make),
    ...insulationSteps(context, make),
    ...probeSteps(context, make),
  ]
}
