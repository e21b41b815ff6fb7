import { feedOf } from '../../document/chain'
import type { LoopContext } from '../../loop/context'
import type { OnOffBehaviour, PlanOf } from '../../settings/behaviour'
import type { PortRef, ResolvedDevice } from '../../document/chain'
import { fieldValue } from '../../plant/fieldValue'
import { probeCurve } from '../../probes/probeCurve'
import { thermocoupleMv, thermocoupleRange } from '../../probes/thermocouple'
import { boundTo } from '../../device/bound'
import type { ParameterQuantity } from '../../settings/parameterQuantities'
import { signalSpan, signalValue } from '../../signal/signal'
import type { Quantity } from '../../units/quantity'
import { shownText } from '../../units/quantity'
import { outputPath } from '../../wiring/outputPath'
import { rungsOf } from '../../settings/stages/stageGroup'
import type { CauseCode, FiguresOfCause, FiguresOfVerdict, VerdictCode } from '../../words/sayVerdict'
import type { CauseFact, ChoiceAsk, Go, Judged, NumberAsk, TestSpec } from '../proofTest'

/** Where a tolerance comes from, in words: a row of the field data. */
export const sourceOfRow = ({ data }: Pick<LoopContext, 'data'>, row: string): string => {
  const { what, source } = fieldValue(data, row)
  return `${what}: ${source}`
}

/** A figure with the same to stray on both sides. */
export const around = (
  label: string,
  quantity: Quantity,
  expected: number,
  tolerance: number,
  source: string,
  more: Partial<NumberAsk> = {},
): NumberAsk => ({
  kind: 'number',
  label,
  quantity,
  expected,
  low: expected - tolerance,
  high: expected + tolerance,
  source,
  ...more,
})

/** A figure that is only written down. */
export const noted = (label: string, quantity: Quantity, more: Partial<NumberAsk> = {}): NumberAsk => ({
  kind: 'number',
  label,
  quantity,
  expected: 0,
  low: -Infinity,
  high: Infinity,
  source: '',
  free: true,
  ...more,
})

/** A question with two answers, the first of which is right. */
export const yesNo = (label: string, yes = 'Yes', no = 'No'): ChoiceAsk => ({
  kind: 'choice',
  label,
  choices: { yes, no },
  wants: 'yes',
})

/** A cause of a wrong reading: its code, the figures that its sentences are made of, and where it is mended. */
export const cause = <C extends CauseCode>(code: C, figures: FiguresOfCause<C>, go?: Go): CauseFact => ({
  code,
  figures,
  ...(go ? { go } : {}),
})

/** A device by its tag and name. */
export const nameOf = ({ tag, name }: Pick<ResolvedDevice, 'tag' | 'name'>) => `${tag} ${name}`

/** The device of an id in this chain; nothing where there is none. */
export const deviceOf = ({ chain }: Pick<LoopContext, 'chain'>, id: string) => chain.devices.find((d) => d.id === id)

/** What an output is called: the controller and, where it has several, the port. */
export function outputName(context: LoopContext, { output }: Pick<PlanOf, 'output'>): string {
  const device = deviceOf(context, output.device)
  const port = device?.facts.ports[output.port]
  return device ? `${device.tag} ${port?.title ?? output.port}` : output.port
}

/** A parameter of the controller of a plan, by what it binds: its code and name as it stands on the sheet. */
export function parameterName(
  context: LoopContext,
  { output, input }: Pick<PlanOf, 'output' | 'input'>,
  binds: ParameterQuantity,
): string | undefined {
  const controller = deviceOf(context, output.device)?.facts.controller
  const found = controller && (boundTo(controller, binds, [output.port, input.port]) ?? boundTo(controller, binds))
  return found && `${found.name} (${found.code})`
}

/** Going to a part of Set with an output in hand. */
export const toSet = (plan: Pick<PlanOf, 'id'> | undefined, part: string | undefined, says: string): Go => ({
  step: 'set',
  says,
  ...(part ? { part } : {}),
  ...(plan ? { plan: plan.id } : {}),
})
export const toKeying: Go = { step: 'set', part: 'keying', says: 'Open the keying sheet' }
export const toWires: Go = { step: 'wire', says: 'Open the wire list' }
export const toProbe: Go = { step: 'match', part: 'probe', says: 'Open the probe' }

/** What feels for an input, and how long it takes to. */
export function feeling(context: LoopContext, input: PortRef) {
  const { chain, data } = context
  const feed = feedOf(chain, input)
  const probe = feed?.fromDevice
  const lagS = probe?.facts.probe?.lagS ?? fieldValue(data, 'lag.sheath.air').typical
  return { feed, probe, lagS }
}

/** Wait before a reading: so many time constants of the probe (field data tol.settle). */
export const settleS = (context: LoopContext, input: PortRef) =>
  feeling(context, input).lagS * fieldValue(context.data, 'tol.settle').typical

/** Fastest ramp of a switching test, K/s: a share of the tolerance in one probe lag (field data tol.ramp). */
export const rampKPerS = (context: LoopContext, input: PortRef, toleranceK: number) =>
  (fieldValue(context.data, 'tol.ramp').typical * toleranceK) / Math.max(1, feeling(context, input).lagS)

/** Temperature that the terminals are taken to have where a thermocouple's millivolts are dialled. */
const TERMINALS_C = 20

/** What to dial or feed in place of the probe of an input for it to show a temperature (or a humidity): ohms, millivolts, volts, milliamps. */
export function substitute(context: LoopContext, input: PortRef, value: number): string | undefined {
  const port = deviceOf(context, input.device)?.facts.ports[input.port]
  if (port?.kind === 'measure-in') {
    const span = signalSpan(port.signal)
    const percent = (100 * (value - port.low)) / (port.high - port.low)
    return `${shownText(signalValue(span, percent), 2)}\u00a0${span.unit}`
  }
  if (port?.kind !== 'probe-in') return undefined
  const { accepts } = port
  if (accepts.kind === 'thermocouple') {
    const [lowC, highC] = thermocoupleRange(accepts.type)
    if (value < lowC || value > highC) return undefined
    const mv = thermocoupleMv(accepts.type, value) - thermocoupleMv(accepts.type, TERMINALS_C)
    return `${shownText(mv, 3)}\u00a0mV with the terminals at ${context.words.say(TERMINALS_C, 'temperature', 0)}`
  }
  const curve = probeCurve(accepts)
  if (value < curve.lowC || value > curve.highC) return undefined
  const ohm = curve.resistance(value)
  return `${ohm >= 1000 ? shownText(ohm, 0).replace(/\B(?=(\d{3})+$)/g, '\u202f') : shownText(ohm, 1)}\u00a0ohm`
}

/** What stands in for a probe: a resistance box, a millivolt source, a signal source. */
export function standIn(context: LoopContext, input: PortRef): string {
  const port = deviceOf(context, input.device)?.facts.ports[input.port]
  if (port?.kind === 'measure-in') return 'signal source'
  return port?.kind === 'probe-in' && port.accepts.kind === 'thermocouple' ? 'millivolt source' : 'resistance box'
}

/** The planned outputs that are stages of one controller by one probe: more than one, all of one action, none with another's swing inside. */
export function stageGroup({ loop }: Pick<LoopContext, 'loop'>, plan: PlanOf): PlanOf<OnOffBehaviour>[] {
  const rungs = rungsOf(loop.settings.planned, plan.id)
  return rungs.length > 1 && rungs.every(({ action }) => action === rungs[0]!.action) ? rungs : []
}

/** A mechanical thermostat: it feels by itself and has no keys. */
export function feelsItself(device: ResolvedDevice): boolean {
  return (
    device.facts.controller !== undefined &&
    device.facts.controller.menu === undefined &&
    !Object.values(device.facts.ports).some(({ kind }) => kind === 'probe-in' || kind === 'measure-in')
  )
}

/** The load that an output moves in the end, by name. */
export function loadName(context: LoopContext, plan: PlanOf): string {
  const { load } = outputPath(context.chain, plan)
  return load ? nameOf(load) : 'the load'
}

/** Cautions that hold at every test with the power on. */
function usualSafety({ chain }: Pick<LoopContext, 'chain'>): string[] {
  const mains = chain.devices.some(({ facts }) =>
    Object.values(facts.terminals).some(({ voltageClass }) => voltageClass === 'mains'),
  )
  return [
    ...(mains ? ['Mains is live behind the cover. Readings at mains terminals are for the licensed trade.'] : []),
    'Loads start by themselves while you test: hands, tools and hair clear.',
  ]
}

/** A test with what every test has. */
export const spec = (
  context: LoopContext,
  test: Omit<TestSpec, 'safety'> & { readonly safety?: readonly string[] },
): TestSpec => ({
  ...test,
  safety: [...(test.safety ?? []), ...usualSafety(context)],
})

/** What is found wrong, by its code and figures, with the likeliest cause first; what to do next is what that one asks to check. */
export const look = <C extends VerdictCode>(
  code: C,
  figures: FiguresOfVerdict<C>,
  first: CauseFact,
  ...others: readonly CauseFact[]
): Judged => ({ verdict: 'look', code, figures, causes: [first, ...others] })

/** The same from causes that are in a list already. @throws RangeError when it is empty */
export function lookAmong<C extends VerdictCode>(
  code: C,
  figures: FiguresOfVerdict<C>,
  causes: readonly CauseFact[],
): Judged {
  const [first, ...others] = causes
  if (!first) throw new RangeError(`${code}: no cause is given`)
  return look(code, figures, first, ...others)
}

/** The same where nothing may run before it is mended. */
export const stop = <C extends VerdictCode>(
  code: C,
  figures: FiguresOfVerdict<C>,
  first: CauseFact,
  ...others: readonly CauseFact[]
): Judged => ({ ...look(code, figures, first, ...others), verdict: 'stop' })
