import { factsOfKind } from '../kinds/kinds'
import type { LoopContext } from '../loop/context'
import { electronicsOf } from './electronics'
import { holdsCharge } from './isolateSteps'
import { safetyBlocks } from './safetyBlocks'
import { safetyBlockIds, type SafetyStep } from './safetyStep'
import { windingsOf } from './windingSteps'
import { loadLogics } from '../wiring/loadLogic'

/** What can hurt whoever works through the steps. */
export const stepHazardIds = [
  'live-hand',
  'backfeed',
  'stored-energy',
  'electronics',
  'unexpected-start',
  'scald',
  'rotating',
  'by-passed-limiter',
] as const
type StepHazardId = (typeof stepHazardIds)[number]

export const stepHazardTitles: Readonly<Record<StepHazardId, string>> = {
  'live-hand': 'live hand',
  backfeed: 'backfeed',
  'stored-energy': 'stored energy',
  electronics: 'electronics under test voltage',
  'unexpected-start': 'unexpected start',
  scald: 'scald',
  rotating: 'rotating',
  'by-passed-limiter': 'by-passed limiter',
}

/** What holds a hazard at a step: the step itself, or one before it; or why there is none. */
export type Held = { readonly by: 'here' | string; readonly says: string } | { readonly none: string }

/** Kinds of step, by the first word of their ids, that measure or switch with the power on. */
const LIVE_MEASURED = new Set([
  'supply',
  'polarity',
  'hots',
  'neutral',
  'phases',
  'rcd',
  'rcd-five',
  'gfci',
  'loop',
  'signal',
  'loaded',
])
const SWITCHED_ON = new Set(['on'])
const TEST_VOLTAGE = new Set(['insulation', 'winding-earth'])

const kindOf = ({ id }: Pick<SafetyStep, 'id'>) => id.split(':')[0]!
const onKind = ({ id }: Pick<SafetyStep, 'id'>) => id.split(':')[1] ?? ''

/** What there is in a loop that can hurt at all. */
interface Has {
  readonly own: boolean
  readonly charge: boolean
  readonly electronics: boolean
  readonly hotWater: boolean
  readonly rotating: boolean
  readonly limiter: boolean
}

function has(context: LoopContext): Has {
  const { chain, rows } = context
  const moves = (...effects: readonly string[]) =>
    chain.devices.some(({ facts }) =>
      Object.values(facts.ports).some((port) => 'does' in port && effects.includes(port.does)),
    )
  return {
    own: rows.some(({ liveFrom }) => liveFrom !== undefined),
    charge: chain.devices.some(holdsCharge),
    electronics: electronicsOf(chain.devices).length > 0,
    hotWater:
      moves('water-flow', 'fuel') ||
      (moves('element') && factsOfKind(context.loop.kind).protects?.('element') === 'liquid'),
    // A burner has a fan of its own.
    rotating: windingsOf(context).length > 0 || moves('air-flow', 'cooling', 'fuel'),
    limiter: loadLogics(chain).some(({ protects }) => protects.length > 0),
  }
}

/** Where the power stands at a step: off and proved, on, or in between. */
const powerAt = (step: SafetyStep): 'before' | 'off' | 'on' => {
  const kind = kindOf(step)
  if (step.block === 'isolate') return 'before'
  if (step.block === 'dead') return 'off'
  return LIVE_MEASURED.has(kind) || SWITCHED_ON.has(kind) || kind === 'authorised' ? 'on' : 'off'
}

interface At {
  readonly step: SafetyStep
  readonly power: 'before' | 'off' | 'on'
  readonly there: Has
  /** Id of the last step before this one that answers the question. */
  readonly before: (ask: (step: SafetyStep) => boolean) => string | undefined
}

const here = (says: string): Held => ({ by: 'here', says })
const none = (why: string): Held => ({ none: why })
const earlier = (id: string | undefined, says: string): Held => (id === undefined ? here(says) : { by: id, says })
const is =
  (...kinds: readonly string[]) =>
  (step: SafetyStep) =>
    kinds.includes(kindOf(step))

const rules: Readonly<Record<StepHazardId, (at: At) => Held>> = {
  'live-hand': ({ step, power, before }) => {
    const kind = kindOf(step)
    if (kind === 'off') return here('off, locked, tagged')
    if (kind === 'wait' || kind.startsWith('tester')) return here('no hand goes in')
    if (step.block === 'isolate' || kind === 'round-dead')
      return here('tester with guarded tips, proved before and after')
    if (power === 'off')
      return kind === 'round-off'
        ? here('off and locked')
        : earlier(before(is('round-dead', 'tester-after')), 'proved dead')
    if (kind === 'on' && ['pull', 'dry'].includes(onKind(step))) return here('lifted and landed dead, cover closed')
    return here(step.caution === undefined ? 'covers on, nothing lifted' : 'authorised, guarded tips or covers on')
  },
  backfeed: ({ step, there, power, before }) => {
    if (kindOf(step) === 'off') return here('every source has a step of its own')
    if (kindOf(step) === 'dead') return here('every pole to every pole and to earth')
    if (power === 'on') return none('power is meant to be on')
    if (!there.own) return none('one source feeds the whole list')
    return step.block === 'isolate'
      ? here('rows that stay live are named')
      : earlier(before(is('dead')), 'each source proved dead')
  },
  'stored-energy': ({ step, there, before }) => {
    const kind = kindOf(step)
    if (TEST_VOLTAGE.has(kind) || (kind === 'apart' && step.group === 'Insulation')) return here('discharge afterwards')
    if (!there.charge) return none('nothing in the list holds a charge')
    if (['wait', 'dclink', 'leads', 'charge', 'round-off'].includes(kind)) return here('waited out and measured')
    if (step.block === 'isolate') return none('nothing is touched before it is waited out and measured')
    return earlier(before(is('dclink', 'leads', 'charge', 'round-off')), 'waited out and measured')
  },
  electronics: ({ step, there, before }) => {
    const kind = kindOf(step)
    if (kind === 'lifted') return here('lifted')
    if (!(TEST_VOLTAGE.has(kind) || (kind === 'apart' && step.group === 'Insulation')))
      return none('no test voltage over a meter’s own')
    return there.electronics
      ? earlier(before(is('lifted')), 'lifted first')
      : earlier(before(is('lifted')), 'looked for')
  },
  'unexpected-start': ({ step, power, before }) => {
    const kind = kindOf(step)
    if (power === 'before')
      return kind === 'off' ? here('locked, key in the pocket') : earlier(before(is('off')), 'locked')
    if (power === 'off')
      return kind === 'round-off' ? here('locked again') : earlier(before(is('round-off', 'off')), 'locked')
    if (kind === 'on') return here('one device after another, control held')
    return earlier(before(is('authorised')), 'nobody at the far ends, loads not called')
  },
  scald: ({ step, there, power }) => {
    if (!there.hotWater) return none('no hot water in this loop')
    if (power !== 'on') return none('no connection is opened, nothing is heated')
    if (kindOf(step) === 'on' && ['run', 'protection', 'dry', 'travel'].includes(onKind(step)))
      return here('limiter and permissives tried before it is left to run')
    return none('nothing is called for')
  },
  rotating: ({ step, there, power, before }) => {
    if (!there.rotating) return none('nothing turns in this loop')
    if (power !== 'on') return earlier(before(is('round-off', 'off')), 'locked off')
    if (kindOf(step) === 'on')
      return here(onKind(step) === 'turn' ? 'guard on, bumped from afar' : 'permissives tried, not called for')
    return none('supply wires of devices are lifted')
  },
  'by-passed-limiter': ({ step, there, power, before }) => {
    if (!there.limiter) return none('no limiter or permissive in this list; the maker\u2019s own is never touched')
    const kind = kindOf(step)
    if (kind === 'ready' || kind === 'apart') return here('each bridge on the temporary list')
    if (kind === 'back-contacts') return here('bridges off, list empty')
    if (kind === 'authorised') return earlier(before(is('back-contacts')), 'list empty, or first live stays shut')
    if (kind === 'on')
      return here(
        onKind(step) === 'protection' || onKind(step) === 'dry' ? 'opened by its own cause, no bridge' : 'list empty',
      )
    if (power === 'on') return earlier(before(is('back-contacts', 'authorised')), 'list empty')
    return none('nothing is bridged here')
  },
}

/** One step with what holds each hazard at it. */
interface StepHazards {
  readonly step: SafetyStep
  readonly held: Readonly<Record<StepHazardId, Held>>
}

/** Every step of isolating, of the dead tests and of first live against every hazard: held by this step or an earlier one, or why not there. */
export function stepHazards(context: LoopContext): readonly StepHazards[] {
  const { steps } = safetyBlocks(context)
  const there = has(context)
  const all = safetyBlockIds.flatMap((block) => steps[block])
  return all.map((step, i) => {
    const at: At = {
      step,
      there,
      power: powerAt(step),
      before: (ask) => [...all.slice(0, i)].reverse().find(ask)?.id,
    }
    return {
      step,
      held: Object.fromEntries(stepHazardIds.map((id) => [id, rules[id](at)])) as StepHazards['held'],
    }
  })
}
