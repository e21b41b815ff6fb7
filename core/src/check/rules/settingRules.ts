import { fieldValue } from '../../plant/fieldValue'
import { keyingSheet } from '../../proof/keyingSheet'
import { parameterView } from '../../profile/parameterView'
import { limitersOf } from '../../wiring/guards'
import { lineOfOutput } from '../../wiring/outputPath'
import type { LoopContext } from '../context'
import type { Finding } from '../finding'
import { bandView } from '../settings/bandView'
import { batteryView } from '../settings/batteryView'
import { defrostView } from '../settings/defrostView'
import { ownerView } from '../settings/ownerView'
import { resetController, resetView } from '../settings/resetView'
import { daysSay, weekView } from '../settings/weekView'
import { answered, eachPlan, lookAgain, note, type Rule, stop } from './rule'

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

const resetLineFits: Rule = (context) => {
  const device = resetController(context)
  const view = resetView(context, device)
  if (!device || !view) return []
  const { words, data, loop } = context
  const { plan } = view
  const found: Finding[] = []
  const limit = fieldValue(data, 'tol.reset').typical
  if (view.shortK > limit)
    found.push(
      lookAgain(
        'C101_LINE_UNDER_NEED',
        {
          about: device.id,
          head: 'The line stays under what the emitters need.',
          reason: `By up to ${words.say(view.shortK, 'difference')} while there is a load: rooms stay cool there.`,
          remedy: 'Raise the point that is too low, or the minimum.',
        },
        'set',
      ),
    )
  if (plan.shutdownAboveC !== undefined && plan.frostBelowC === undefined && plan.designOutdoorC < 0)
    found.push(
      stop(
        'C102_NO_FROST_GUARD',
        {
          about: device.id,
          head: 'A summer stop, and no frost guard.',
          reason: `Design day ${words.say(plan.designOutdoorC, 'temperature', 0)}: whatever stops the heating must give way to frost.`,
          remedy: `Plan a frost guard at ${words.say(fieldValue(data, 'frost.pipe').typical, 'temperature', 0)} outdoors.`,
          fix: {
            do: 'controller',
            device: device.id,
            change: { reset: { ...plan, frostBelowC: fieldValue(data, 'frost.pipe').typical, frostSupplyC: 20 } },
            say: `Plan a frost guard at ${words.say(fieldValue(data, 'frost.pipe').typical, 'temperature', 0)}`,
          },
        },
        'set',
      ),
    )
  const floor = loop.kind === 'floor' || answered(context, 'emitter') === 'floor'
  const hottest = Math.max(...view.line.map(({ supplyC }) => supplyC))
  const screed = fieldValue(data, 'screed.max.cement').typical
  if (floor && answered(context, 'through') !== 'mixing' && hottest > screed)
    found.push(
      stop(
        'C103_LINE_OVER_SCREED',
        {
          about: device.id,
          head: 'The line goes over what a screed bears.',
          reason: `${words.say(hottest, 'temperature', 0)} at its hottest; cement screed ${words.say(screed, 'temperature', 0)}, calcium sulphate ${words.say(fieldValue(data, 'screed.max.casulphate').typical, 'temperature', 0)} at the pipe.`,
          remedy: `Bring the maximum to ${words.say(screed, 'temperature', 0)} or under, and a limiter of its own in the supply.`,
        },
        'set',
      ),
    )
  return found
}

/** A reset line that has a point the wrong way round, which no controller can draw. */
const resetLineRuns: Rule = (context) => {
  const device = resetController(context)
  const plan = device && context.loop.settings.controllers?.[device.id]?.reset
  if (!device || !plan) return []
  const { words } = context
  const crossed = !(plan.warmOutdoorC > plan.designOutdoorC)
  const limits =
    plan.minimumSupplyC !== undefined && plan.maximumSupplyC !== undefined && plan.minimumSupplyC > plan.maximumSupplyC
  if (!crossed && !limits) return []
  return [
    lookAgain(
      'C100_LINE_CROSSED',
      {
        about: device.id,
        head: crossed ? 'The warm point is colder than the cold one.' : 'Minimum supply is over the maximum.',
        reason: crossed
          ? `Warm at ${words.say(plan.warmOutdoorC, 'temperature')} outdoors, cold at ${words.say(plan.designOutdoorC, 'temperature')}.`
          : `Minimum ${words.say(plan.minimumSupplyC!, 'temperature')}, maximum ${words.say(plan.maximumSupplyC!, 'temperature')}.`,
        remedy: crossed
          ? 'Move the points apart: the warm one to the right.'
          : 'Lower the minimum or raise the maximum.',
      },
      'set',
    ),
  ]
}

/** Who lives on forced air does not bear a fan that may stand. */
const fanKeepsOn = eachPlan((plan, context) => {
  const who = answered(context, 'occupants')
  if (plan.kind !== 'fan' || (who !== 'animals' && who !== 'people')) return []
  const subject = who === 'animals' ? 'Animals' : 'People'
  const least = plan.minimumPercent === 'off' ? 0 : plan.minimumPercent
  if (least <= 0)
    return [
      stop(
        'C104_FAN_MAY_STAND',
        {
          about: plan.id,
          head: `${subject} on forced air, and the fan may stand still.`,
          reason: 'When nothing asks for air, its least speed is off.',
          remedy: 'Plan a least speed over where it stalls.',
        },
        'set',
      ),
    ]
  if (plan.probeFault !== 'off') return []
  return [
    lookAgain(
      'C105_FAN_FAILS_SLOW',
      {
        about: plan.id,
        head: 'Without its probe the fan goes slow.',
        reason: `It falls to ${context.words.say(least, 'percent')}, and nobody feels how warm it gets.`,
        remedy: 'Choose full speed on probe fault.',
      },
      'set',
    ),
  ]
})

const weekClear: Rule = (context) =>
  controllers(context).flatMap((device): Finding[] => {
    const view = weekView(context, device)
    if (!view) return []
    const named = (id: string) => {
      const at = view.periods.findIndex((period) => period.id === id)
      return `period ${at + 1} (${daysSay(view.periods[at]!.days)}, ${view.periods[at]!.start})`
    }
    const over = view.periods.length - view.most
    return [
      ...view.overlaps.map(({ first, second, minutes }) =>
        lookAgain(
          'C106_PERIODS_OVERLAP',
          {
            about: `${device.id}/${first}/${second}`,
            head: 'Two periods overlap.',
            reason: `${named(first)} and ${named(second)} share ${minutes} minutes a week; they count as one.`,
            remedy: 'Move one, or close this with a reason when it is meant.',
          },
          'set',
        ),
      ),
      ...(over > 0
        ? [
            lookAgain(
              'C107_PERIODS_TOO_MANY',
              {
                about: device.id,
                head: `${device.tag} takes ${view.most} periods.`,
                reason: `${view.periods.length} are planned: the last ${over === 1 ? 'one is' : `${over} are`} not keyed.`,
                remedy: 'Join some, or choose a controller with more.',
              },
              'set',
            ),
          ]
        : []),
    ]
  })

const defrostEnds: Rule = (context) =>
  controllers(context).flatMap((device): Finding[] => {
    const view = defrostView(context, device)
    if (!view) return []
    const { plan } = view
    const { words } = context
    if (view.none && plan.by === 'time' && plan.leads !== false)
      return [
        lookAgain(
          'C108_DEFROST_NEVER',
          {
            about: device.id,
            head: plan.everyH === 0 ? 'It never defrosts.' : 'The defrost does not fit.',
            reason: view.none,
            remedy: `Plan one every ${words.say(24 / fieldValue(context.data, 'df.perday').typical, 'hours', 0)}.`,
          },
          'set',
        ),
      ]
    if (view.electric && plan.longestMin <= 0)
      return [
        stop(
          'C109_DEFROST_ENDLESS',
          {
            about: device.id,
            head: 'Electric defrost without a longest time.',
            reason: 'A coil probe that falls off never gets warm: the heater melts on in a closed coil.',
            remedy: `Plan ${words.say(fieldValue(context.data, 'df.time.electric').typical, 'minutes')} at most.`,
          },
          'set',
        ),
      ]
    const found: Finding[] = []
    if (view.cycle?.endedBy === 'time')
      found.push(
        lookAgain(
          'C110_DEFROST_CUT_SHORT',
          {
            about: device.id,
            head: 'The defrost is cut short.',
            reason: `The longest time of ${words.say(plan.longestMin, 'minutes')} is over before the coil is at ${words.say(plan.endC, 'temperature')}: ice stays and grows.`,
            remedy: 'More time, more often, or more heat.',
          },
          'set',
        ),
      )
    if (plan.fanBackC > 0)
      found.push(
        lookAgain(
          'C111_FAN_BACK_WARM',
          {
            about: device.id,
            head: 'The fan comes back while the coil is wet.',
            reason: `At ${words.say(plan.fanBackC, 'temperature')} it throws water and warm air into the room.`,
            remedy: `Plan ${words.say(fieldValue(context.data, 'df.fan.coil').high, 'temperature', 0)} or colder.`,
          },
          'set',
        ),
      )
    return found
  })

const batteryKept: Rule = (context) =>
  controllers(context).flatMap((device): Finding[] => {
    const view = batteryView(context, device)
    if (!view) return []
    const { plan, cutOff, glowS, leftAh, afterRunAh, volts } = view
    const { words, data } = context
    const volt = (v: number) => words.say(v, 'voltage', 1)
    const leastV = fieldValue(data, 'bat.cutoff.v').low * (volts > 18 ? 2 : 1)
    const found: Finding[] = []
    if (plan.cutOffV < leastV || (leftAh !== undefined && leftAh < 2 * afterRunAh))
      found.push(
        stop(
          'C112_CUT_OFF_LOW',
          {
            about: device.id,
            head: 'The cut-off leaves nothing for the after-run.',
            reason: `${volt(plan.cutOffV)} under load${leftAh === undefined ? '' : `, about ${words.say(leftAh, 'ampereHours', 1)} left`}; the after-run takes ${words.say(afterRunAh, 'ampereHours', 2)} and must finish.`,
            remedy: `Plan ${volt(fieldValue(data, 'bat.cutoff.v').typical * (volts > 18 ? 2 : 1))} or more.`,
          },
          'set',
        ),
      )
    if (cutOff.glowCuts && cutOff.startsAboveV > fieldValue(data, 'bat.rest.half').typical * (volts > 18 ? 2 : 1))
      found.push(
        lookAgain(
          'C113_START_CUTS_OFF',
          {
            about: device.id,
            head: 'A start cuts itself off.',
            reason: `The glow pulls the controller down by ${volt(cutOff.glowDropV)} for ${words.say(glowS, 'seconds')}, longer than the hold of ${words.say(plan.holdS, 'seconds')}: under ${volt(cutOff.startsAboveV)} at the battery it never starts.`,
            remedy: `A hold over ${words.say(glowS, 'seconds')} as far as the keys go, thicker cable, or a lower cut-off.`,
          },
          'set',
        ),
      )
    if (cutOff.marginV <= 0)
      found.push(
        lookAgain(
          'C114_RESTART_HUNTS',
          {
            about: device.id,
            head: 'It starts again at once.',
            reason: `Without current the voltage rises by ${volt(cutOff.runDropV)}; restart at ${volt(plan.restartV)} is no more than that over the cut-off.`,
            remedy: `Plan ${volt(fieldValue(data, 'bat.restart').typical * (volts > 18 ? 2 : 1))}.`,
          },
          'set',
        ),
      )
    return found
  })

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
        'C120_BAND_RESTS_AWAY',
        {
          about: plan.id,
          head: `Rests at ${words.say(rest.settlesC, 'temperature')} at design.`,
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
        'C121_BEAT_TOO_SHORT',
        {
          about: plan.id,
          head: `The beat wears ${contactor.device.tag} out.`,
          reason: `${words.say(plan.cycleS, 'seconds')} a beat are ${words.say(3600 / plan.cycleS, 'perHour', 0)}; a contactor wants ${words.say(leastS, 'seconds')} or more.`,
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
export const settingRules: readonly Rule[] = [
  fanKeepsOn,
  resetLineRuns,
  resetLineFits,
  batteryKept,
  defrostEnds,
  weekClear,
  bandWorks,
  dutyGuarded,
  canBeKeyed,
  leftOtherwise,
  ownerLimited,
]
