import type { LoopContext } from '../loop/context'
import type { ResolvedDevice } from '../document/chain'
import { fieldValue } from '../plant/fieldValue'
import type { LoadPort } from '../device/deviceProfile'
import { deadTestVerdict, type DeadTestVerdict, stop } from '../wiring/deadTest'
import { ohmWords } from '../words/ohmWords'
import { EXTRA_LOW_V } from '../units/peopleLimits'
import { powerPaths } from '../wiring/powerPath'
import { electronicsOf } from './electronics'
import { type SafetyStep, signOf } from './safetyStep'
import type { StepMaker } from './stepMaker'

const OHM = { kind: 'number', quantity: 'resistance', low: 0, high: 1e12 } as const
const MEGOHM = { kind: 'number', quantity: 'insulation', low: 0, high: 1e13 } as const
/** Under this a winding is shorted, ohm. */
const SHORTED_OHM = 0.1

/** A motor or a compressor of this loop that is wound and nothing else: no board, no burner control. */
interface Wound {
  readonly device: ResolvedDevice
  readonly portId: string
  readonly port: LoadPort
  readonly rows: readonly string[]
}

/** Every winding of the chain that is measured before power, with the wires that end at it. */
export function windingsOf({ chain, rows }: Pick<LoopContext, 'chain' | 'rows'>): readonly Wound[] {
  const boards = new Set(electronicsOf(chain.devices).map(({ id }) => id))
  return powerPaths(chain).flatMap(({ load, portId, loadPort, connections }): Wound[] => {
    const { kind } = loadPort.load
    if (connections.length === 0 || boards.has(load.id) || (kind !== 'motor' && kind !== 'compressor')) return []
    if (loadPort.does === 'none' && loadPort.role === undefined) return []
    const mine = rows.filter(({ serves }) => serves.includes(`${load.id}.${portId}`)).map(({ id }) => id)
    return [{ device: load, portId, port: loadPort, rows: mine }]
  })
}

/** Three windings against one another, or a single one: no short, not open; then every winding to earth. */
export function windingSteps(context: LoopContext, make: StepMaker): SafetyStep[] {
  const alike = fieldValue(context.data, 'wind.alike').typical
  return windingsOf(context).flatMap(({ device, portId, port, rows }): SafetyStep[] => {
    const label = (terminal: string | undefined) =>
      terminal === undefined ? '' : (device.facts.terminals[terminal]?.label ?? terminal)
    const ends = [port.line, ...(port.load.phases === 3 ? [port.l2, port.l3] : [port.neutral])].map(label)
    const mostOhm = windingMostOhm(port.load)
    const pairs =
      ends.length === 3
        ? (
            [
              [0, 1],
              [1, 2],
              [0, 2],
            ] as const
          ).map(([a, b]) => [ends[a]!, ends[b]!] as const)
        : [[ends[0]!, ends[1]!] as const]
    const sign = signOf(rows)
    const idOf = (a: string, b: string) => `winding:${device.id}.${portId}:${a}-${b}:${sign}`
    const all = () => pairs.map(([a, b]) => make.valueOf(idOf(a, b)))
    const about = `${device.tag} ${device.name}`
    const low = port.load.volts <= EXTRA_LOW_V
    const compressor = port.load.kind === 'compressor'
    return [
      ...pairs.map(([a, b]) =>
        make.read(
          {
            id: idOf(a, b),
            group: 'Windings',
            title: `${device.tag}: ${a} to ${b}`,
            doing: `Leads of ${about} lifted at its terminals. Ohms from ${a} to ${b}.`,
            should:
              pairs.length === 3
                ? `Some ohms, under ${ohmWords(mostOhm)}, the three of them alike within ${alike} %.`
                : `Some ohms, under ${ohmWords(mostOhm)}: the winding. Neither open nor shorted.`,
            ask: OHM,
          },
          (reading) => windingVerdict(reading, all(), alike, mostOhm),
        ),
      ),
      make.read(
        {
          id: `winding-earth:${device.id}.${portId}:${sign}`,
          group: 'Windings',
          title: `${device.tag}: windings to earth`,
          doing: `Leads of ${about} still lifted. ${low ? 250 : 500} V DC from ${pairs.length === 3 ? 'each winding' : 'the winding'} to bare metal of its body; enter the lowest. Discharge afterwards.${compressor ? ' Never under vacuum, and no more volts than its maker allows.' : ''}`,
          should: low ? 'At least 0.5 Mohm.' : 'At least 1 Mohm.',
          ask: MEGOHM,
          caution: 'The tester itself puts out a shock: nobody touches the motor, discharge it afterwards.',
        },
        (reading) =>
          deadTestVerdict({
            test: 'insulation',
            reading,
            circuit: low ? 'extra-low' : 'mains',
            testV: low ? 250 : 500,
          }),
      ),
    ]
  })
}

/**
 * More than this is no whole winding, ohm: direct current meets less than alternating current does. Between two leads of three phases lie
 * two windings. Formula: V²/P, twice that for three phases; boundless where the power is not known.
 */
export const windingMostOhm = ({ volts, powerW, phases }: LoadPort['load']): number =>
  powerW > 0 ? ((phases === 3 ? 2 : 1) * volts ** 2) / powerW : Infinity

/** Verdict on one winding: open, a bad connection in it, shorted, or unlike the two others. */
export function windingVerdict(
  reading: number | null,
  all: readonly (number | undefined)[],
  alikePercent: number,
  mostOhm: number,
): DeadTestVerdict {
  if (reading === null) return stop('winding.open', {})
  if (reading > mostOhm) return stop('winding.too-high', { reading, mostOhm })
  if (reading < SHORTED_OHM) return stop('winding.shorted', { reading })
  const known = all.filter((each) => each !== undefined)
  if (all.length < 3 || known.length < 3)
    return {
      verdict: 'good',
      code: 'winding.taken',
      figures: { reading, allCount: all.length },
      forbidsEnergising: false,
    }
  const mean = known.reduce((sum, each) => sum + each, 0) / 3
  const worst = Math.max(...known.map((each) => Math.abs(each / mean - 1) * 100))
  return worst <= alikePercent + 1e-9
    ? {
        verdict: 'good',
        code: 'winding.alike',
        figures: { known, worst },
        forbidsEnergising: false,
      }
    : stop('winding.apart', { known, worst, alikePercent })
}
