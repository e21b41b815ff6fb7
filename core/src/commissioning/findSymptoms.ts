import { EXTRA_LOW_V } from '../units/peopleLimits'
import type { LoopContext } from '../loop/context'
import { faultTitle } from '../settings/fault/faultView'
import { plansOf } from '../settings/behaviour'
import { resetLine } from '../settings/reset/law/resetLine'
import { spell } from '../time/spell'
import type { WorkflowStep } from '../kinds/hazards'
import { controllerPlanOf } from '../survey/controllerPlanOf'
import { outputPath } from '../wiring/outputPath'
import { complaintScore, namedIn } from './complaintScore'
import { failed, proofTests } from './proofTests'
import type { ProofTest } from './proofTest'
import type { Symptom, SymptomCause, SymptomNeed } from './symptom'
import { deviceOf, feeling, feelsItself, loadName, nameOf, parameterName, substitute } from './procedures/parts'

/** A cause for this loop, its words filled with the plan's own numbers. */
interface FoundCause {
  readonly says: string
  readonly telling: string
  readonly remedy: string
  /** A test that tells, where this loop has one; and what came of it. */
  readonly test?: { readonly id: string; readonly title: string; readonly result: 'good' | 'bad' | 'open' }
  readonly go?: { readonly step: WorkflowStep; readonly part?: string }
}

interface FoundSymptom {
  readonly id: string
  readonly title: string
  readonly stop?: string
  /** Likeliest for the least effort first; what a passed test speaks against comes last. */
  readonly causes: readonly FoundCause[]
}

/** What a loop is made of, as far as a cause needs it. */
function facts(context: LoopContext): ReadonlySet<SymptomNeed> {
  const { chain, loop } = context
  const plans = plansOf(loop.settings.planned)
  const found = new Set<SymptomNeed>()
  const add = (need: SymptomNeed, is: boolean | undefined) => {
    if (is) found.add(need)
  }
  for (const device of chain.devices) {
    const { probe, limiter, permissive, load, category } = device.facts
    const ports = Object.values(device.facts.ports)
    const curve = probe?.curve.kind
    add('ntc', curve === 'ntc' || curve === 'steinhart' || curve === 'table')
    add('platinum', curve === 'rtd' || curve === 'nickel')
    add('thermocouple', curve === 'thermocouple')
    add('drive', category === 'drive')
    add(
      'two-commons',
      ports.some((port) => port.kind === 'signal-in' && port.bridgedTo !== undefined),
    )
    add('relay', category === 'relay')
    add('limiter', limiter !== undefined)
    add('permissive', permissive !== undefined)
    add('flow-proof', permissive?.senses === 'flow')
    add('level', permissive?.senses === 'level')
    add('pressure', permissive?.senses === 'pressure')
    add('wireless', permissive?.radio !== undefined)
    add('fuel', load?.fuel !== undefined)
    add('mechanical', feelsItself(device))
    add(
      'solid-state',
      ports.some((port) => port.kind === 'contact' && port.solidState !== undefined),
    )
    add(
      'dry-contact',
      ports.some(({ kind }) => kind === 'contact-in'),
    )
    add(
      'signal',
      ports.some(({ kind }) => kind === 'signal-out'),
    )
    add(
      'current-loop',
      ports.some((port) => 'signal' in port && /mA/.test(port.signal)),
    )
    add(
      'humidity',
      ports.some((port) => port.kind === 'measure-in' && port.measures === 'humidity'),
    )
    add(
      'group',
      ports.some(({ kind }) => kind === 'pair') && chain.connections.some(({ fromPort }) => fromPort.kind === 'pair'),
    )
    add(
      'pump',
      ports.some((port) => 'does' in port && port.does === 'water-flow'),
    )
    add(
      'valve',
      ports.some(
        (port) =>
          port.kind === 'signal-in' ||
          (port.kind === 'load' && port.role !== undefined) ||
          (port.kind === 'load' && port.does === 'water-flow'),
      ),
    )
    add(
      'mains',
      Object.values(device.facts.terminals).some(({ voltageClass }) => voltageClass === 'mains'),
    )
    add(
      'low-voltage',
      ports.some((port) => port.kind === 'supply-out' && port.volts <= EXTRA_LOW_V),
    )
    const whole = device.facts.controller ? controllerPlanOf(context, device) : {}
    add('reset', whole.reset !== undefined)
    add('defrost', whole.defrost !== undefined)
    add('battery', whole.battery !== undefined)
    add('timer', whole.timer !== undefined)
  }
  for (const plan of plans) {
    add('on-off', plan.kind === 'on-off')
    add('band', plan.kind === 'band')
    add('fan', plan.kind === 'fan')
  }
  add('stages', plans.filter(({ kind }) => kind === 'on-off').length > 1)
  return found
}

/** The words that stand for the plan's own numbers. */
function figures(context: LoopContext): Readonly<Record<string, string>> {
  const { words, loop, survey, chain } = context
  const { say } = words
  const plan = plansOf(loop.settings.planned)[0]
  if (!plan) return {}
  const device = deviceOf(context, plan.output.device)
  const { probe, lagS } = feeling(context, plan.input)
  const whole = device ? controllerPlanOf(context, device) : {}
  const limiter = chain.devices.find(({ facts: { limiter: found } }) => found !== undefined)
  const relay = chain.devices.find(({ facts: { category } }) => category === 'relay')
  const { load } = outputPath(chain, plan)
  const on = plan.kind === 'on-off'
  const mild = whole.reset && resetLine(whole.reset)(whole.reset.warmOutdoorC)
  return {
    set: say(plan.setpointC, 'temperature'),
    on: on ? say(plan.onC, 'temperature') : 'its band',
    off: on ? say(plan.offC, 'temperature') : 'its end',
    swing: on ? say(plan.swingK, 'difference') : 'no swing',
    'minimum-off': on ? spell(plan.minimumOffS) : 'none',
    band: plan.kind === 'on-off' ? 'no band' : say(plan.bandK, 'difference'),
    least:
      plan.kind === 'on-off' ? 'nothing' : plan.minimumPercent === 'off' ? 'off' : say(plan.minimumPercent, 'percent'),
    fault: faultTitle(plan.probeFault).toLowerCase(),
    alarm: plan.alarmHighC === undefined ? 'none' : say(plan.alarmHighC, 'temperature'),
    acts: plan.action === 'heating' ? 'heat' : 'cool',
    probe: probe ? nameOf(probe) : 'the probe',
    probe20: substitute(context, plan.input, 20) ?? 'what its table says',
    'set-ohm': substitute(context, plan.input, plan.setpointC) ?? 'the setpoint\u2019s value',
    lag: spell(lagS),
    load: load ? nameOf(load) : loadName(context, plan),
    relay: relay ? nameOf(relay) : 'the relay',
    limiter: limiter
      ? `${nameOf(limiter)}${limiter.dialC === undefined ? '' : `, set to ${say(limiter.dialC, 'temperature', 0)}`}`
      : 'the limiter',
    power: survey ? say(survey.seen.fullPowerW ?? survey.seen.powerW, 'power') : 'what the nameplate says',
    wait: whole.stages ? spell(whole.stages.waitS) : 'a minute',
    mild: whole.reset ? say(whole.reset.warmOutdoorC, 'temperature') : '',
    'mild-supply': typeof mild === 'number' ? say(mild, 'temperature') : '',
    'defrost-end': whole.defrost ? say(whole.defrost.endC, 'temperature') : say(8, 'temperature'),
    'cut-off': whole.battery ? say(whole.battery.cutOffV, 'voltage') : 'its limit',
    glow: load?.facts.load?.glowA === undefined ? 'by its leaflet' : say(load.facts.load.glowA, 'current', 0),
    'swing-name': parameterName(context, plan, 'swing') ?? 'the swing',
    'offset-name': parameterName(context, plan, 'offset') ?? 'the offset',
    'input-name': parameterName(context, plan, 'input') ?? 'by its keys',
  }
}

const EFFORTS = 4
/** What each word weighs that the complaint and a cause share: it names the cause itself. */
const NAMED = 4

/**
 * Symptoms that this loop can have and that answer what was typed, the best first; each with its causes here, ordered by likelihood
 * times ease of checking. A test that passed speaks against a cause, one that failed speaks for it.
 */
export function findSymptoms(context: LoopContext, symptoms: readonly Symptom[], typed = ''): readonly FoundSymptom[] {
  const has = facts(context)
  const told = figures(context)
  const tests = proofTests(context)
  const fill = (text: string) =>
    context.words.tell(text.replace(/\{([a-z][a-z0-9-]*)\}/g, (whole, name: string) => told[name] ?? whole))
  const score = complaintScore(symptoms, context.words.practice, typed)
  const possible = (cause: SymptomCause) => (cause.needs ?? []).every((need) => has.has(need))
  return symptoms
    .filter(({ kinds, causes }) => (kinds === undefined || kinds.includes(context.loop.kind)) && causes.some(possible))
    .map((symptom, i) => ({ symptom, i, score: score(symptom) }))
    .filter((each) => each.score > 0)
    .sort((a, b) => b.score - a.score || a.i - b.i)
    .map(({ symptom }) => ({
      id: symptom.id,
      title: fill(symptom.title),
      ...(symptom.stop ? { stop: symptom.stop } : {}),
      causes: symptom.causes
        .filter(possible)
        .map((cause, i) => {
          const test = tests.find(({ kind }) => kind === cause.test)
          const named = NAMED * namedIn(cause.says, symptom.title, context.words.practice, typed)
          return { cause, i, test, rank: rankOf(cause, test) + named }
        })
        .sort((a, b) => b.rank - a.rank || a.i - b.i)
        .map(({ cause, test }): FoundCause => ({
          says: fill(cause.says),
          telling: fill(cause.telling),
          remedy: fill(cause.remedy),
          ...(test ? { test: { id: test.id, title: test.title, result: resultOf(test) } } : {}),
          ...(cause.step ? { go: { step: cause.step, ...(cause.part ? { part: cause.part } : {}) } } : {}),
        })),
    }))
}

const resultOf = (test: ProofTest) => (test.result.verdict === 'good' ? 'good' : failed(test) ? 'bad' : 'open')

function rankOf({ likely, effort }: SymptomCause, test: ProofTest | undefined): number {
  const plain = likely * (EFFORTS - effort)
  const result = test && resultOf(test)
  return result === 'good' ? plain - 100 : result === 'bad' ? plain + 100 : plain
}
