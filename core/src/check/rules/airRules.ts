import { type Behaviour, type PlanOf, plansOf } from '../../settings/behaviour'
import { proofTests } from '../../commissioning/proofTests'
import { livesOnAir } from '../../survey/atRisk'
import { forcedAir } from '../../wiring/forcedAir'
import { reachOf } from '../../wiring/reach'
import type { LoopContext } from '../../loop/context'
import type { Found } from '../finding'
import { lookAgain, type Rule, stop, told } from './rule'

/** Whoever lives on forced air: what must be there when the control fails. */
const airWithoutControl: Rule = (context) => {
  const { chain, survey } = context
  const who = livesOnAir(context)
  const { controllers, fans, backups } = forcedAir(chain)
  if (!who || controllers.length === 0) return []
  const subject = who === 'animals' ? 'Animals' : 'People'
  const found: Found[] = []
  const minimum = survey?.figures['minimum']?.value
  if (minimum !== undefined && minimum <= 0)
    found.push(stop('C045_MINIMUM_OFF', { about: 'minimum', figures: { subject } }, 'survey'))
  if (!backups.some(({ ownLine, ownSupply }) => ownLine && ownSupply)) {
    const shared = backups.find(({ ownLine, supply }) => ownLine && supply !== undefined)
    found.push(
      told(
        'C044_NO_BACKUP',
        'backup',
        {
          who,
          controllers: controllers.map(({ tag }) => tag),
          fans: fans.length,
          weak: backups.map(({ device, ownLine }) => ({ tag: device.tag, line: ownLine })),
        },
        shared?.supply === undefined
          ? {}
          : {
              fix: {
                do: 'own-circuit',
                supply: shared.supply,
                into: shared.head,
                say: `Give ${shared.device.tag} a circuit of its own`,
              },
            },
      ),
    )
  }
  if (!chain.devices.some(({ facts }) => facts.load?.alarm === 'own-supply'))
    found.push(lookAgain('C069_NO_OWN_ALARM', { about: 'alarm', figures: {} }))
  for (const { id, tag, facts } of controllers)
    if (facts.controller?.restarts === false) found.push(lookAgain('C070_NO_RESTART', { about: id, figures: { tag } }))
  return found
}

/** Least that a plan gives of its fan, %; what switches gives nothing. */
const leastOf = (plan: Behaviour): number =>
  plan.kind === 'on-off' ? 0 : plan.minimumPercent === 'off' ? 0 : plan.minimumPercent

/** Whether the backup that stands in for the control was tried and came. */
const backupProved = (context: LoopContext): boolean =>
  forcedAir(context.chain).backups.some(({ ownLine, ownSupply }) => ownLine && ownSupply) &&
  Object.values(context.loop.proof.readings).some(({ test }) => test.startsWith('backup/')) &&
  proofTests(context).some(({ kind, result }) => kind === 'backup' && result.verdict === 'good')

/** Who lives on forced air does not bear a fan that may stand, whatever way it is controlled: by degrees, in a band, on and off. */
const fanKeepsOn: Rule = (context) => {
  const who = livesOnAir(context)
  if (!who) return []
  const { chain, loop } = context
  const { controllers } = forcedAir(chain)
  const moving = plansOf(loop.settings.planned).flatMap((plan) => {
    const reach = reachOf(chain, plan.output).find(({ does }) => does === 'air-flow')
    return reach && controllers.some(({ id }) => id === plan.output.device) ? [{ plan, reach }] : []
  })
  const needs = ({ reach: { port } }: (typeof moving)[number]) =>
    port.kind === 'signal-in' ? (port.leastPercent ?? 0) : 0
  const keeps = (each: (typeof moving)[number]) => leastOf(each.plan) > 0 && leastOf(each.plan) >= needs(each)
  // One fan that never stops is air enough: a further one may then be switched.
  const always = moving.some(keeps)
  const slow = backupProved(context) ? [] : moving.flatMap(({ plan }) => failsSlow(context, plan, who, always))
  return [
    ...moving.flatMap((each): Found[] => {
      const { plan, reach } = each
      const least = leastOf(plan)
      if (keeps(each) || (always && plan.kind === 'on-off')) return []
      return [
        least > 0
          ? told(
              'C138_FAN_UNDER_ITS_LEAST',
              plan.id,
              { who, tag: reach.device.tag, plannedPercent: least, needsPercent: needs(each) },
              { step: 'set' },
            )
          : told('C104_FAN_MAY_STAND', plan.id, { who, switches: plan.kind === 'on-off' }, { step: 'set' }),
      ]
    }),
    ...slow,
  ]
}

function failsSlow(context: LoopContext, plan: PlanOf, who: 'animals' | 'people', always: boolean): Found[] {
  if (plan.probeFault === 'on' || (always && plan.kind === 'on-off')) return []
  return [
    told('C105_FAN_FAILS_SLOW', plan.id, { who, goes: plan.probeFault, leastPercent: leastOf(plan) }, { step: 'set' }),
  ]
}

/** Rules about air that somebody lives on. */
export const airRules: readonly Rule[] = [airWithoutControl, fanKeepsOn]
