import { fieldValue } from '../../plant/fieldValue'
import { keyingSheet } from '../../commissioning/keyingSheet'
import { parameterView } from '../../device/parameterView'
import { limitersOf } from '../../wiring/protections'
import { lineOfOutput } from '../../wiring/outputPath'
import type { LoopContext } from '../context'
import type { Finding } from '../finding'
import { bandView } from '../settings/bandView'
import { ownerView } from '../settings/ownerView'
import { eachPlan, lookAgain, note, type Rule } from './rule'

const controllers = ({ chain }: LoopContext) => chain.devices.filter(({ facts }) => facts.controller !== undefined)

/** What the plan asks for and the controller does not take. */
const canBeKeyed: Rule = (context) =>
  keyingSheet(context).flatMap(({ device, rows }) =>
    rows.flatMap(({ code, name, beyond }): Finding[] =>
      beyond === undefined
        ? []
        : [
            lookAgain(
              'C095_CANNOT_BE_KEYED',
              {
                about: `${device.id}/${code}`,
                head: `${name} cannot be keyed so on ${device.tag}.`,
                reason: beyond,
                remedy: 'Change the plan, or choose another controller.',
              },
              'set',
            ),
          ],
    ),
  )

/** Left other than planned, and nobody said why. */
const leftOtherwise: Rule = (context) =>
  keyingSheet(context).flatMap(({ device, rows }) =>
    rows.flatMap(({ code, name, planned, unit, asLeft, agrees }): Finding[] =>
      agrees !== false || asLeft?.why !== undefined
        ? []
        : [
            lookAgain(
              'C097_LEFT_OTHERWISE',
              {
                about: `${device.id}/${code}`,
                head: `${name} was left other than planned.`,
                reason: `Planned ${planned} ${unit}, left at ${asLeft?.text ?? ''} ${unit}.`.replace(/ +([.,])/g, '$1'),
                remedy: 'Key it as planned, or write the reason on the keying sheet.',
              },
              'set',
            ),
          ],
    ),
  )

/** A band that the display cannot tell, that never gets there, or that beats a contactor to death. */
const bandWorks = eachPlan((plan, context) => {
  if (plan.kind !== 'band') return []
  const { chain, words, data, job, loop } = context
  const found: Finding[] = []
  const controller = chain.devices.find(({ id }) => id === plan.output.device)?.facts.controller
  const setpoint = controller && Object.values(controller.parameters).find(({ binds }) => binds === 'setpoint')
  const view = controller && setpoint && parameterView(setpoint, controller, job)
  const stepK = view ? Math.abs(view.toSi(view.step) - view.toSi(0)) : 0
  const leastK = fieldValue(data, 'resolve.swing').low * stepK
  if (plan.bandK < leastK - 1e-9)
    found.push(
      lookAgain(
        'C119_BAND_UNDER_RESOLUTION',
        {
          about: plan.id,
          head: 'Band is narrower than the display resolves.',
          reason: `${words.say(plan.bandK, 'difference', 2)} of band, display step ${words.say(stepK, 'difference', 2)}: it jumps from nothing to full.`,
          remedy: `Widen it to ${words.say(leastK, 'difference', 2)} or more.`,
        },
        'set',
      ),
    )
  const { rest } = bandView(context, plan)
  const tolerance = loop.survey.answers['tolerance']
  if (rest && typeof tolerance === 'number' && Math.abs(rest.offsetK) > tolerance)
    found.push(
      lookAgain(
        'C120_BAND_SETTLES_AWAY',
        {
          about: plan.id,
          head: `Settles at ${words.say(rest.settlesC, 'temperature')} at design.`,
          reason: `${words.say(Math.abs(rest.offsetK), 'difference')} ${rest.offsetK < 0 ? 'under' : 'over'} the set, and it may stray by ${words.say(tolerance, 'difference')}${rest.saturated === 'full' ? ': all it has is not enough' : ''}.`,
          remedy: rest.saturated
            ? 'More power, better insulation, or another set.'
            : 'A narrower band, another anchor, or an integral time.',
        },
        'set',
      ),
    )
  const line = lineOfOutput(chain, plan.output)
  const contactor = line?.contacts.find(
    ({ device, port }) => device.id !== plan.output.device && device.facts.category === 'relay' && !port.solidState,
  )
  const leastS = fieldValue(data, 'cycle.contactor').low
  if (plan.cycleS !== undefined && contactor && plan.cycleS < leastS)
    found.push(
      lookAgain(
        'C121_CYCLE_TIME_SHORT',
        {
          about: plan.id,
          head: `The cycle time wears ${contactor.device.tag} out.`,
          reason: `${words.say(plan.cycleS, 'seconds')} a cycle are ${words.say(3600 / plan.cycleS, 'perHour', 0)}; a contactor wants ${words.say(leastS, 'seconds')} or more.`,
          remedy: `Plan ${words.say(fieldValue(data, 'cycle.contactor').typical, 'seconds')}, or a solid-state relay.`,
        },
        'set',
      ),
    )
  return found
})

/** Heating that fails on a fixed share, and what holds it then. */
const dutyGuarded = eachPlan((plan, { chain, words }) => {
  if (plan.probeFault !== 'duty' || plan.action !== 'heating' || (plan.dutyPercent ?? 0) <= 50) return []
  const line = lineOfOutput(chain, plan.output)
  if (line && limitersOf(chain, line).length > 0) return []
  return [
    lookAgain(
      'C122_DUTY_LARGE',
      {
        about: plan.id,
        head: 'Without its probe it heats more than half of the time.',
        reason: `${words.say(plan.dutyPercent!, 'percent')} of the time, and no limiter in its line: in mild weather it overheats.`,
        remedy: 'Plan half or less, and a limiter.',
      },
      'set',
    ),
  ]
})

const ownerLimited: Rule = (context) =>
  controllers(context).flatMap((device): Finding[] => {
    const view = ownerView(context, device)
    const set = view?.rows.find(({ note: why, may }) => may && why?.startsWith('No limit'))
    return set
      ? [
          note(
            'C118_OWNER_UNLIMITED',
            {
              about: device.id,
              head: `Nothing holds the owner\u2019s hand on ${device.tag}.`,
              reason: `${set.name} can be turned from end to end.`,
              remedy: 'Say on the panel card in which range it is meant to stay.',
            },
            'set',
          ),
        ]
      : []
  })

/** Rules about the instruments of Set and the keying sheet. */
export const settingRules: readonly Rule[] = [bandWorks, dutyGuarded, canBeKeyed, leftOtherwise, ownerLimited]
