import { Refused, type Why } from '../units/refused'
import { wordsFor } from '../words/words'
import type { CalcData, Calculation } from './calculation'
import type { Picture } from './picture'
import * as cycling from './entries/cycling'
import * as electricLoads from './entries/electricLoads'
import * as enclosures from './entries/enclosures'
import * as floors from './entries/floors'
import * as flowsAndValves from './entries/flowsAndValves'
import * as heatAndAir from './entries/heatAndAir'
import * as modulating from './entries/modulating'
import * as probeFaults from './entries/probeFaults'
import * as probes from './entries/probes'
import * as quantities from './entries/quantities'
import * as reset from './entries/reset'
import * as signals from './entries/signals'
import * as stages from './entries/stages'
import * as switching from './entries/switching'
import * as thermocouples from './entries/thermocouples'
import * as timeAndGroups from './entries/timeAndGroups'
import * as tuning from './entries/tuning'
import * as waterAndAir from './entries/waterAndAir'
import * as wiring from './entries/wiring'
import * as wiringTests from './entries/wiringTests'
import { checkFields, InputError } from './checkField'

interface CalculationGroup {
  readonly title: string
  readonly entries: readonly Calculation[]
}

/** Every calculation, grouped and in the order of the reference page. */
export const calculationGroups: readonly CalculationGroup[] = [
  {
    title: 'Quantities',
    entries: [quantities.unitsConvert, quantities.displayRoundEntry],
  },
  {
    title: 'Probes',
    entries: [
      probes.probeResistance,
      probes.probeTemperature,
      probes.probeFit,
      probes.probeTolerance,
      thermocouples.probeEmf,
      thermocouples.probeHotJunction,
      probeFaults.probeLeadError,
      probeFaults.probeMismatch,
      probes.probeIdentify,
      probeFaults.probeFault,
      probeFaults.probeCalibrate,
    ],
  },
  {
    title: 'Switching',
    entries: [
      switching.points,
      switching.sequence,
      switching.translateEntry,
      switching.dialTestEntry,
      stages.stagePointsEntry,
      stages.stagesShift,
      stages.stagesEnergisedEntry,
      stages.stagesDiagnose,
      cycling.cyclingOnOff,
      cycling.cyclingWorst,
      cycling.cyclingRested,
      cycling.cyclingSwingFor,
      cycling.relayLife,
      cycling.cyclingBuffer,
    ],
  },
  {
    title: 'Modulating',
    entries: [
      modulating.modulatingOutput,
      modulating.modulatingTemperature,
      modulating.modulatingSweep,
      modulating.modulatingDiagnose,
      signals.signalAcrossResistor,
      signals.signalLoop,
      signals.signalBudgetEntry,
      signals.driveFrequency,
      signals.fanDemandEntry,
      tuning.controlDroop,
      tuning.controlTune,
    ],
  },
  {
    title: 'Outdoor reset',
    entries: [reset.resetSupply, reset.resetEmitter, reset.resetSavingEntry],
  },
  {
    title: 'Plants',
    entries: [
      floors.plantEstimate,
      floors.floorPlantEntry,
      floors.floorOutputEntry,
      floors.floorSurfaceEntry,
      waterAndAir.waterHeatUpEntry,
      waterAndAir.waterHeaterSize,
      waterAndAir.waterCoolDownEntry,
      waterAndAir.poolEvaporationEntry,
      waterAndAir.brineEntry,
      enclosures.enclosureArea,
      enclosures.enclosureCooling,
      waterAndAir.airState,
      waterAndAir.airSensibleEntry,
      enclosures.batteryRuntimeEntry,
      heatAndAir.ventCo2,
      heatAndAir.heatLmtd,
      heatAndAir.heatpumpCop,
      heatAndAir.gasRateEntry,
      heatAndAir.vesselSizeEntry,
    ],
  },
  {
    title: 'Flow',
    entries: [
      flowsAndValves.waterFlowEntry,
      flowsAndValves.mixingRatioEntry,
      flowsAndValves.valveSizeEntry,
      flowsAndValves.valveAuthorityEntry,
      flowsAndValves.fanLawsEntry,
    ],
  },
  {
    title: 'Electric loads',
    entries: [electricLoads.electricLoadEntry, electricLoads.electricDerateEntry, electricLoads.electricElements],
  },
  {
    title: 'Wiring',
    entries: [
      wiring.wiringDrop,
      wiring.wiringTransformer,
      wiring.wiringContact,
      wiringTests.logicTable,
      wiringTests.deadTestEntry,
    ],
  },
  {
    title: 'Time and groups',
    entries: [
      timeAndGroups.scheduleNextEntry,
      timeAndGroups.scheduleOverlapsEntry,
      timeAndGroups.groupAverageEntry,
      timeAndGroups.netCheckEntry,
    ],
  },
]

export const calculations: readonly Calculation[] = calculationGroups.flatMap(({ entries }) => entries)

const byId = new Map(calculations.map((entry) => [entry.id, entry]))
if (byId.size !== calculations.length) throw new Error('two calculations share an id')

/** The calculation of an id; nothing where there is none. */
export const findCalculation = (id: string) => byId.get(id)

type CalcOutcome =
  | { readonly ok: true; readonly output: Readonly<Record<string, unknown>> }
  | { readonly ok: false; readonly error: CalcError }

/** What is wrong with an input: its field, and the whole of it in SI. */
export interface CalcError {
  readonly field: string
  readonly message: string
  /** What is wrong, apart from the sentence: as facts, or as what follows the field's name. */
  readonly why?: Why
  /** It is outside what the field takes at all. */
  readonly bound?: true
}

/** First number in an answer that is none, by its path. */
function notFinite(value: unknown, path: string): string | undefined {
  if (typeof value === 'number') return Number.isFinite(value) ? undefined : path
  if (typeof value !== 'object' || value === null) return undefined
  for (const [key, inner] of Object.entries(value)) {
    const found = notFinite(inner, path === '' ? key : `${path}.${key}`)
    if (found !== undefined) return found
  }
  return undefined
}

/** The number of an input that lies farthest from 1, by its path: the likeliest cause of a sum that runs out of numbers. */
function farthest(value: unknown, path: string): { path: string; away: number } {
  if (typeof value === 'number') return { path, away: value === 0 ? 0.5 : Math.abs(Math.log10(Math.abs(value))) }
  let best = { path, away: -1 }
  if (typeof value === 'object' && value !== null)
    for (const [key, inner] of Object.entries(value)) {
      const found = farthest(inner, path === '' ? key : Array.isArray(value) ? `${path}[${key}]` : `${path}.${key}`)
      if (found.away > best.away) best = found
    }
  return best
}

/** The field of the input that a law refused; the input as a whole where the law calls it something else. */
const fieldOf = ({ inputs }: Calculation, field: string): string =>
  Object.hasOwn(inputs, field.split(/[.[]/)[0]!) ? field : 'input'

/**
 * Checks the input against the entry's fields and runs it. What is wrong comes back as an error that names the field; an answer that
 * would hold a number that is not finite is an error too, naming the input that is farthest out.
 * Sentences in the answer keep their figures in braces (`{55 C}`) for whoever shows them; `plainly` puts them into SI.
 */
export function runCalculation(entry: Calculation, input: unknown, data: CalcData): CalcOutcome {
  try {
    checkFields(entry.inputs, input)
    const output = entry.run(input as never, data)
    const bad = notFinite(output, '')
    if (bad === undefined) return { ok: true, output }
    const { path } = farthest(input, '')
    return {
      ok: false,
      error: {
        field: path,
        message: `${path} is so far out that ${bad} has no finite answer: allowed is what a plant can be`,
      },
    }
  } catch (error) {
    if (error instanceof InputError) {
      const { field, message, says, bound } = error
      return { ok: false, error: { field, message, why: { must: 'other', says }, ...(bound ? { bound } : {}) } }
    }
    if (error instanceof Refused)
      return { ok: false, error: { field: fieldOf(entry, error.field), message: error.message, why: error.why } }
    if (error instanceof RangeError) return { ok: false, error: { field: 'input', message: error.message } }
    throw error
  }
}

/** What to draw of an answer, or null where there is nothing to draw. */
export function drawPicture(
  entry: Calculation,
  input: unknown,
  output: Readonly<Record<string, unknown>>,
  data: CalcData,
): Picture | null {
  if (!entry.picture) return null
  try {
    const picture = entry.picture(input as never, output as never, data)
    return picture && notFinite(picture, '') === undefined ? picture : null
  } catch (error) {
    // A neighbour of the point that was asked for may lie where the sum has no answer.
    if (error instanceof RangeError || error instanceof InputError) return null
    throw error
  }
}

const { tell } = wordsFor({ temperatureUnit: 'C', system: 'metric' })

/** The same with every sentence's figures in SI: what command line and HTTP answer. */
export function plainly(outcome: CalcOutcome): CalcOutcome {
  const told = (value: unknown): unknown => {
    if (typeof value === 'string') return value.includes('{') ? tell(value) : value
    if (Array.isArray(value)) return value.map(told)
    if (typeof value === 'object' && value !== null)
      return Object.fromEntries(Object.entries(value).map(([key, inner]) => [key, told(inner)]))
    return value
  }
  if (outcome.ok) return { ok: true, output: told(outcome.output) as Readonly<Record<string, unknown>> }
  return { ok: false, error: { field: outcome.error.field, message: tell(outcome.error.message) } }
}
