import type { LoopContext } from '../loop/context'
import type { LoopDocument, ProofReading, StepDone } from '../document/documents'
import { safetyBlocks } from '../commissioning/safetyBlocks'
import type { SafetyBlockId, SafetyStep } from '../commissioning/safetyStep'

const SCALE: Readonly<Record<string, number>> = { kohm: 1e3, Mohm: 1e6 }

/** The first figure that a step says should be read, in SI. */
function told({ should }: SafetyStep, unit: RegExp): number | undefined {
  const found = new RegExp(`([\\d.]+)\\s(${unit.source})`).exec(should)
  return found ? Number(found[1]) * (SCALE[found[2]!] ?? 1) : undefined
}

/** What sound work reads at a step, by what kind of step it is; null is the meter’s over-range. */
export function soundStepReading(step: SafetyStep): number | null {
  const [kind = ''] = step.id.split(':')
  const ohm = () => told(step, /kohm|Mohm|ohm/)
  switch (kind) {
    case 'dead':
    case 'round-dead':
    case 'charge':
    case 'leads':
      return 0
    case 'dclink':
      return 3
    case 'earth':
    case 'bond':
    case 'polarity':
    case 'loop':
      return step.block === 'live' && kind === 'polarity' ? told(step, /V/)! : (ohm() ?? 0.2) * 0.6
    case 'load':
      return step.should.startsWith('About') ? ohm()! : 310
    case 'apart':
    case 'insulation':
    case 'winding-earth':
      return step.group === 'Separation' ? null : 180e6
    case 'chassis':
      return null
    case 'winding':
      return 24
    case 'probe-now':
      return 18
    case 'probe':
      return (ohm() ?? 1) * (step.should.includes('\u00b1') ? 1.004 : 0.1)
    case 'neutral':
      return 1.2
    case 'rcd':
      return 28
    case 'rcd-five':
      return 12
    case 'gfci':
      return 5
    case 'supply':
    case 'loaded': {
      const span = /^([\d.]+)\sV to ([\d.]+)\sV/.exec(step.should)
      return span ? (Number(span[1]) + Number(span[2])) / 2 : told(step, /V/)!
    }
    case 'signal':
      return Number(/^[\d.]+ to ([\d.]+)/.exec(step.should)?.[1] ?? 0) / 2
    default:
      return told(step, /V/) ?? 1
  }
}

type Made = Pick<LoopDocument, 'proof' | 'wiring'>

/** A step kept as sound work keeps it: answered, or with a reading under this id and order. */
export function keepStep(
  { proof, wiring }: Made,
  { block, id, ask }: SafetyStep,
  {
    by = 'Ann',
    at = '2026-01-05T08:00:00Z',
    order,
    key,
    value,
  }: {
    readonly by?: string
    readonly at?: string
    readonly order: number
    readonly key: string
    readonly value: number | null | StepDone['answer']
  },
): Made {
  if (ask.kind === 'answer' || value === 'yes' || value === 'no') {
    const answer = value === 'no' ? 'no' : 'yes'
    return { proof, wiring: { ...wiring, done: { ...wiring.done, [`${block}/${id}`]: { answer, by, at } } } }
  }
  const reading: ProofReading = {
    order,
    test: block,
    step: id,
    text: value === null ? 'OL' : String(value),
    unit: 'ohm',
    state: value === null ? 'over-range' : 'value',
    ...(value === null ? {} : { value }),
    at,
    by,
  }
  return { wiring, proof: { ...proof, readings: { ...proof.readings, [key]: reading } } }
}

/** The first step of these blocks that waits and is not answered in the list of wires. */
export const nextStep = (context: LoopContext, blocks: readonly SafetyBlockId[]): SafetyStep | undefined => {
  const { steps } = safetyBlocks(context)
  return blocks
    .flatMap((block) => steps[block])
    .find(({ verdict, ask }) => verdict === 'waiting' && ask.kind !== 'rows')
}
