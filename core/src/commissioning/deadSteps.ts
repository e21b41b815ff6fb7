import { answersOf } from '../kinds/answersOf'
import { toldOf } from './stepMaker'
import type { LoopContext } from '../loop/context'
import { fieldValue } from '../plant/fieldValue'
import type { LoadPort } from '../device/deviceProfile'
import { probeCurve } from '../probes/probeCurve'
import { deadTestVerdict, type DeadTestVerdict } from '../wiring/deadTest'
import { ohmWords } from '../words/ohmWords'
import { judgeRow } from '../wiring/judgeRow'
import { powerPaths } from '../wiring/powerPath'
import { sizeWords } from '../words/sizeWords'
import { coldWireOhm } from '../wiring/wireResistance'
import type { WireRow } from '../wiring/wireRow'
import { type SafetyStep, signOf } from './safetyStep'
import { insulationSteps, onChassis, putBackSteps } from './insulationSteps'
import { type Judge, stepMaker, type StepMaker } from './stepMaker'
import { windingsOf, windingSteps } from './windingSteps'

const OHM = { kind: 'number', quantity: 'resistance', low: 0, high: 1e12 } as const
const ids = (rows: readonly WireRow[]) => rows.map(({ id }) => id)

/**
 * What a load measures between two of its terminals, cold; undefined where its plate does not tell.
 * Formula: U\u00b2 / P; three equal elements 2 U\u00b2 / P between any two terminals, in star (two of U\u00b2 / P in a row) as in delta (3 U\u00b2 / P
 * beside twice that).
 * Source: Ohm's law, as `heatingElements`.
 */
export function loadOhm({ load }: Pick<LoadPort, 'load'>): number | undefined {
  if (load.kind !== 'resistive' || load.powerW <= 0) return undefined
  return ((load.phases === 3 ? 2 : 1) * load.volts * load.volts) / load.powerW
}

/** The pairs of terminals between which a load is measured: one, or each two of three phases. */
const endsOf = ({ load, line, neutral, l2, l3 }: LoadPort): readonly (readonly [string, string])[] =>
  load.phases === 3 && l2 !== undefined && l3 !== undefined
    ? [
        [line, l2],
        [l2, l3],
        [line, l3],
      ]
    : [[line, neutral]]

/** One terminal in words. */
const at = ({ tag, label }: WireRow['from']) => `${tag} ${label}`

function earthSteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  const { data, words, job } = context
  return context.rows
    .filter(({ role }) => role === 'earth')
    .map((row) => {
      const { lengthM, sizeMm2, assumed } = judgeRow(context, row)
      const expected = sizeMm2 === null ? 0 : coldWireOhm(lengthM, sizeMm2)
      const limit = expected + fieldValue(data, 'pe.limit').typical
      return make.read(
        {
          id: `earth:${row.id}`,
          group: 'Earth',
          title: `Earth of ${row.to.tag}`,
          doing: `Low-ohm tester, leads nulled: earth bar at ${row.from.tag} to bare metal of ${row.to.tag} ${row.to.deviceName}.`,
          should: `At most ${ohmWords(limit)}: ${words.say(lengthM, 'length')} of ${sizeWords(job.practice, sizeMm2)}${assumed ? ', length assumed,' : ''} and its clamps.`,
          ask: OHM,
        },
        (reading): DeadTestVerdict => {
          const verdict = deadTestVerdict({ test: 'earth', reading, expected })
          if (!assumed || verdict.verdict === 'good' || reading === null || reading > LONG_EARTH_OHM) return verdict
          return {
            verdict: 'look-again',
            code: 'earth.length-assumed',
            figures: { reading, limit, wire: row.number },
            forbidsEnergising: false,
            holds: true,
          }
        },
      )
    })
}
/** Over this no wire of a house explains it, however long, ohm. */
const LONG_EARTH_OHM = 2

/** Metal at water that is touched is joined: each part to the earth bar. */
function bondingSteps({ loop, data, rows }: LoopContext, make: StepMaker): SafetyStep[] {
  const { users } = answersOf(loop)
  if (users !== 'people' && users !== 'animals') return []
  const { high, source } = fieldValue(data, 'bond.limit')
  return [
    make.read(
      {
        id: `bond:${signOf(ids(rows.filter(({ role }) => role === 'earth')))}`,
        group: 'Earth',
        title: 'Bonding at the water',
        doing:
          'Low-ohm tester, leads nulled: earth bar to each metal part that can be touched from the water (rails, ladder, pipes, reinforcement, heater shell) and from part to part; enter the highest.',
        should: `At most ${ohmWords(high)} (${source}).`,
        ask: OHM,
        caution: 'Nobody in the water while it is measured.',
      },
      (reading) => deadTestVerdict({ test: 'earth', reading, expected: 0, tolerance: high }),
    ),
  ]
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
      ? toldOf({ code: 'rows.failed', figures: { bad: bad.map(({ row }) => row.number) } }, context.words)
      : left.length > 0
        ? {}
        : toldOf({ code: 'rows.through', figures: { wires: verdicts.length } }, context.words)),
  }
}

/** Verdict on a load between its own two terminals: its ohms are expected, a dead short is not. */
function acrossLoad(tag: string, expected: number | undefined): Judge {
  return (reading): DeadTestVerdict => {
    if (expected !== undefined && (reading === null || reading > 10 * expected))
      return {
        verdict: 'look-again',
        code: 'load.open',
        figures: { tag, reading, expected },
        forbidsEnergising: false,
      }
    if (expected !== undefined) return deadTestVerdict({ test: 'separation', reading, loadOhm: expected })
    if (reading !== null && reading < LEAST_OHM)
      return {
        verdict: 'stop',
        code: 'load.shorted',
        figures: { reading, tag },
        forbidsEnergising: true,
      }
    return {
      verdict: 'good',
      code: 'load.no-plate',
      figures: { reading, tag },
      forbidsEnergising: false,
    }
  }
}
const LEAST_OHM = 1

function separationSteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  const { rows, chain } = context
  const apart: Judge = (reading) => deadTestVerdict({ test: 'separation', reading })
  const mains = rows.filter(({ circuit, role }) => circuit === 'mains' && role !== 'earth' && role !== 'screen')
  const sources = [
    ...new Map(mains.flatMap(({ source }) => (source ? [[source.device, source] as const] : []))).values(),
  ]
  // What is wound has its windings tested on their own.
  const wound = new Set(windingsOf(context).map(({ device, portId }) => `${device.id}.${portId}`))
  const loads = powerPaths(chain).filter(
    ({ connections, loadPort, load, portId }) =>
      connections.length > 0 &&
      !wound.has(`${load.id}.${portId}`) &&
      !(loadPort.does === 'none' && loadPort.load.kind !== 'coil'),
  )
  return [
    ...loads.flatMap(({ load, loadPort, portId }) => {
      const mine = rows.filter(({ serves }) => serves.includes(`${load.id}.${portId}`))
      const expected = loadOhm(loadPort)
      const pairs = endsOf(loadPort)
      const { joined } = loadPort.load
      return pairs.map((pair) => {
        const [a, b] = pair.map((t) => load.facts.terminals[t]?.label ?? t)
        const several = pairs.length > 1
        return make.read(
          {
            id: `load:${load.id}.${portId}:${several ? `${pair.join('-')}:` : ''}${signOf(ids(mine))}`,
            group: 'Separation',
            title: several ? `Across ${load.tag}: ${a} to ${b}` : `Across ${load.tag}`,
            doing: `All contacts open. Ohms at ${load.tag} ${load.name}, ${a} to ${b}.`,
            should:
              expected === undefined
                ? 'A coil reads some ohms, electronics more: never a dead short.'
                : several
                  ? `About ${ohmWords(expected)}, the same between any two: three equal elements${joined ? ` in ${joined}` : ''}, no short.`
                  : `About ${ohmWords(expected)}: the load itself, no short.`,
            ask: OHM,
            hunt: load.id,
          },
          acrossLoad(load.tag, expected),
        )
      })
    }),
    ...sources.flatMap((source) => {
      const mine = mains.filter((row) => row.source?.device === source.device)
      const { tag } = source
      const sign = signOf(ids(mine))
      const { hots, neutral: n, earth = 'PE' } = source.feet ?? { hots: ['L'], neutral: 'N' }
      // A neutral that no wire of the list uses has nothing to be apart from.
      const neutral = mine.some(({ role }) => role === 'neutral') ? n : undefined
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
      const lifted = 'loads and electronics lifted'
      return [
        ...hots.map((hot) =>
          step(
            hot,
            earth,
            `Contacts closed by hand or bridged for the test, ohms from ${hot} behind ${tag} to earth. Put every bridge on the temporary list.`,
          ),
        ),
        ...(neutral === undefined ? [] : [step(neutral, earth, `${neutral} lifted at ${tag}, ohms from it to earth.`)]),
        ...(neutral === undefined
          ? []
          : hots.map((hot) =>
              step(
                hot,
                neutral,
                `${neutral} lifted, ${lifted}, ohms from ${hot} to ${neutral} behind ${tag}. A load that stays on explains its own ohms.`,
              ),
            )),
        ...hots.flatMap((hot, i) =>
          hots
            .slice(i + 1)
            .map((other) =>
              step(
                hot,
                other,
                `${lifted[0]!.toUpperCase()}${lifted.slice(1)}, ohms from ${hot} to ${other} behind ${tag}. A load that stays on explains its own ohms.`,
              ),
            ),
        ),
      ]
    }),
  ]
}

/** The neutral of each load really is the neutral: through at once, not through the load. */
function polaritySteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  // Where a second pole breaks the return there is no neutral that is past every contact.
  const broken = ({ from, to }: WireRow) =>
    [from, to].some(({ device }) =>
      Object.values(context.chain.devices.find(({ id }) => id === device)?.facts.ports ?? {}).some(
        (port) => port.kind === 'contact' && port.second !== undefined,
      ),
    )
  return context.rows
    .filter((row) => row.role === 'neutral' && row.circuit === 'mains' && row.serves.length > 0 && !broken(row))
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
                code: 'neutral.whole',
                figures: { reading },
                forbidsEnergising: false,
              }
            : {
                verdict: 'stop',
                code: 'neutral.broken',
                figures: { reading, limitOhm, tag: row.to.tag },
                forbidsEnergising: true,
              },
      )
    })
}

function probeSteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  const { chain, data, words } = context
  const within = fieldValue(data, 'probe.dead')
  return chain.connections.flatMap(({ fromPort, fromDevice, toDevice, toPort, id }): SafetyStep[] => {
    if (fromPort.kind !== 'probe-out' || toPort.kind !== 'probe-in' || !fromDevice.facts.probe) return []
    const { curve } = fromDevice.facts.probe
    const tag = fromDevice.tag
    const both = `Still dead: lift both leads of ${tag} ${fromDevice.name} at ${toDevice.tag}, land them again afterwards.`
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
                  code: 'couple.whole',
                  figures: { reading },
                  forbidsEnergising: false,
                }
              : {
                  verdict: 'look-again',
                  code: 'couple.broken',
                  figures: { reading },
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
      () => ({ verdict: 'good', code: 'probe.temperature-taken', figures: {}, forbidsEnergising: false }),
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
            code: 'probe.no-temperature',
            figures: { reading },
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

/** The dead tests in their order: earth first, then rows, separation, polarity, insulation, windings, probes; then everything is put back. */
export function deadSteps(context: LoopContext): readonly SafetyStep[] {
  if (context.rows.length === 0) return []
  const make = stepMaker('dead', context)
  return [
    ...earthSteps(context, make),
    ...bondingSteps(context, make),
    rowsStep(context),
    ...separationSteps(context, make),
    ...polaritySteps(context, make),
    ...insulationSteps(context, make),
    ...(onChassis(context) ? [] : windingSteps(context, make)),
    ...probeSteps(context, make),
    ...putBackSteps(context, make),
  ]
}
