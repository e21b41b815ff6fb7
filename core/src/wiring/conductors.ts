import type { ResolvedChain, ResolvedDevice } from '../document/chain'
import type { RowState } from '../document/documents'
import { EXTRA_LOW_V } from '../units/peopleLimits'
import { remembered, rememberedByWord, rememberedOfBoth } from '../memory/remembered'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import type { Port } from '../device/deviceProfile'
import type { Practice } from '../units/practice'
import { usualSizeMm2 } from './conductor'
import type { Fed, WireRow } from './wireRow'
import { contactLoad } from './contactLoad'
import { assumedLengthM } from './rowVerdict'
import { usualConstruction, WARM_C, warmWireOhm } from './wireResistance'

/** What one wire carries, what it loses, and what protects it. */
export interface RowLoad {
  readonly row: WireRow
  readonly lengthM: number
  readonly assumed: boolean
  /** Null where neither the table nor anybody tells it. */
  readonly sizeMm2: number | null
  readonly currentA: number
  /** What its fuse has to carry: in US practice loads that run for hours count 125 %, once. */
  readonly designA: number
  /** Lost on this one wire. */
  readonly dropV: number
  /** Lost on this wire and one like it back. */
  readonly pairDropV: number
  /** Section that this practice usually asks for behind its fuse, null beyond its table; left out where nothing of this list protects it. */
  readonly usualMm2?: number | null
}

/** Voltage that is left at a device, with the wires on the way there and back. */
interface EndVoltage {
  readonly device: ResolvedDevice
  readonly portId: string
  readonly title: string
  readonly supply: Fed
  readonly currentA: number
  readonly rows: readonly WireRow[]
  readonly dropV: number
  readonly endV: number
  readonly dropPercent: number
  readonly allowedPercent: number
  readonly allowedBy: string
  /** No length on the way there and back is a guess. */
  readonly measured: boolean
  readonly enough: boolean
}

/** Design current of what hangs on a port, A; a fuel heater's glow current where that is more. */
function currentOf(device: ResolvedDevice, port: Port, volts: number): number {
  const glow = device.facts.load?.glowA ?? 0
  if (port.kind === 'load') return Math.max(glow, contactLoad([], port.load).loadA)
  if (port.kind === 'supply-in') return Math.max(glow, port.drawsVa / volts)
  return port.kind === 'contact-in' ? port.wets.amps : 0
}

/** The loss of a wire there and back as a calculation that can be opened; undefined where its section or its supply is not known. */
export function dropCall({ row, lengthM, sizeMm2, currentA }: RowLoad) {
  if (sizeMm2 === null || !row.fedBy) return undefined
  return {
    calc: 'wiring.drop',
    input: {
      lengthM,
      areaMm2: sizeMm2,
      currentA,
      supplyV: row.fedBy.volts,
      conductorC: WARM_C,
      construction: usualConstruction(sizeMm2),
    },
    output: 'dropV',
  }
}

/** What US practice adds for what runs three hours and more. */
const CONTINUOUS = 0.25

/** Heating, cooling, pumps and fans may run for hours; coils and boards are no load to speak of. */
const runsOn = (port: Port) =>
  port.kind === 'load'
    ? port.does !== 'none' && port.does !== 'light'
    : port.kind === 'supply-in' && port.drawsVa >= RUNS_ON_VA
/** From here a device with a supply of its own is a motor or a heater, VA. */
const RUNS_ON_VA = 100

const marked75 = (chain: ResolvedChain, { from, to }: WireRow) =>
  [from, to].every(({ device }) => chain.devices.find(({ id }) => id === device)?.facts.marked75 === true)

const portOf = (chain: ResolvedChain, key: string) => {
  const at = key.indexOf('.')
  const [id, port] = [key.slice(0, at), key.slice(at + 1)]
  const device = chain.devices.find((each) => each.id === id)
  const facts = device?.facts.ports[port]
  return device && facts ? { device, portId: port, port: facts } : undefined
}

/**
 * Current and loss of each wire: the sum of what hangs on it, one way, R I by its length and section as warm stranded copper.
 * @param states lengths and sections that were written down; a wire without a length is taken as a short run
 */
export const rowLoads = (
  rows: readonly WireRow[],
  chain: ResolvedChain,
  states: Readonly<Record<string, RowState>>,
  practice: Practice,
): readonly RowLoad[] => loadsOf(rows, states)(chain)(practice)

const loadsOf = rememberedOfBoth((rows: readonly WireRow[], states: Readonly<Record<string, RowState>>) =>
  remembered((chain: ResolvedChain) => rememberedByWord((practice: Practice) => loads(rows, chain, states, practice))),
)

function loads(
  rows: readonly WireRow[],
  chain: ResolvedChain,
  states: Readonly<Record<string, RowState>>,
  practice: Practice,
): RowLoad[] {
  return rows.map((row): RowLoad => {
    const state = states[row.id]
    const lengthM = state?.lengthM ?? assumedLengthM
    const sizeMm2 = state?.sizeMm2 ?? row.conductor.sizeMm2
    const served = row.serves.flatMap((key) => {
      const end = portOf(chain, key)
      return end ? [{ amps: currentOf(end.device, end.port, row.fedBy?.volts ?? 24), runsOn: runsOn(end.port) }] : []
    })
    const currentA = served.reduce((sum, { amps }) => sum + amps, 0)
    const hours = served.reduce((sum, { amps, runsOn: on }) => sum + (on ? amps : 0), 0)
    const wireOhm = sizeMm2 === null ? 0 : warmWireOhm(lengthM, sizeMm2)
    const mains = row.circuit === 'mains' && row.fedBy !== undefined
    return {
      row,
      lengthM,
      assumed: state?.lengthM === undefined,
      sizeMm2,
      currentA,
      designA: practice === 'us' ? currentA + CONTINUOUS * hours : currentA,
      dropV: wireOhm * currentA,
      pairDropV: 2 * wireOhm * currentA,
      ...(mains ? { usualMm2: usualSizeMm2(practice, row.fedBy.protectionA, marked75(chain, row)) } : {}),
    }
  })
}

/**
 * What is left at each device: the supply's voltage less the losses of every wire on the way there and back.
 * Three phases: √3 times the loss of one. Limits: field data drop.other, drop.lighting, drop.elv, and drop.cabinstart in volts.
 */
export function endVoltages(loads: readonly RowLoad[], chain: ResolvedChain, data: FieldData): EndVoltage[] {
  const keys = [...new Set(loads.flatMap(({ row }) => (row.fedBy ? row.serves : [])))]
  return keys.flatMap((key): EndVoltage[] => {
    const end = portOf(chain, key)
    const mine = loads.filter(({ row }) => row.serves.includes(key))
    const supply = mine[0]?.row.fedBy
    if (!end || !supply) return []
    const three = end.port.kind === 'load' && end.port.load.phases === 3
    const dropV = three
      ? Math.sqrt(3) * Math.max(...mine.map((each) => each.dropV))
      : mine.reduce((sum, each) => sum + each.dropV, 0)
    const lamp = end.port.kind === 'load' && end.port.does === 'light'
    const glows = end.device.facts.load?.glowA !== undefined
    const limit = fieldValue(
      data,
      glows ? 'drop.cabinstart' : supply.volts <= EXTRA_LOW_V ? 'drop.elv' : lamp ? 'drop.lighting' : 'drop.other',
    )
    const allowedPercent = glows ? (100 * limit.typical) / supply.volts : limit.typical
    const dropPercent = (100 * dropV) / supply.volts
    return [
      {
        device: end.device,
        portId: end.portId,
        title: end.port.title,
        supply,
        currentA: currentOf(end.device, end.port, supply.volts),
        rows: mine.map(({ row }) => row),
        dropV,
        endV: Math.max(0, supply.volts - dropV),
        dropPercent,
        allowedPercent,
        allowedBy: limit.source,
        measured: mine.every(({ assumed }) => !assumed),
        enough: dropPercent <= allowedPercent,
      },
    ]
  })
}
