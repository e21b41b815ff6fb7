import { fieldValue } from '../../plant/fieldValue'
import type { LoopContext } from '../context'
import type { Finding } from '../finding'
import { batteryView } from '../settings/batteryView'
import { defrostView } from '../settings/defrostView'
import { resetController, resetView } from '../settings/resetView'
import { daysSay, weekView } from '../settings/weekView'
import { screedMostC } from '../../survey/kinds/screedQuestions'
import { answered, lookAgain, type Rule, stop } from './rule'

const controllers = ({ chain }: LoopContext) => chain.devices.filter(({ facts }) => facts.controller !== undefined)

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
        'C102_NO_FROST_PROTECTION',
        {
          about: device.id,
          head: 'A summer stop, and no frost protection.',
          reason: `Design day ${words.say(plan.designOutdoorC, 'temperature', 0)}: whatever stops the heating must give way to frost.`,
          remedy: `Plan frost protection at ${words.say(fieldValue(data, 'frost.pipe').typical, 'temperature', 0)} outdoors.`,
          fix: {
            do: 'controller',
            device: device.id,
            change: { reset: { ...plan, frostBelowC: fieldValue(data, 'frost.pipe').typical, frostSupplyC: 20 } },
            say: `Plan frost protection at ${words.say(fieldValue(data, 'frost.pipe').typical, 'temperature', 0)}`,
          },
        },
        'set',
      ),
    )
  const floor = loop.kind === 'floor' || answered(context, 'emitter') === 'floor'
  const hottest = Math.max(...view.line.map(({ supplyC }) => supplyC))
  const { answers } = context.loop.survey
  const screed = screedMostC(answers, data)
  if (floor && answers['screedKind'] !== 'none' && hottest > screed)
    found.push(
      stop(
        'C103_LINE_OVER_SCREED',
        {
          about: device.id,
          head: 'The line goes over what a screed bears.',
          reason: `${words.say(hottest, 'temperature', 0)} at its hottest; ${answers['screedKind'] === undefined ? 'a screed of unknown kind' : 'this screed'} takes ${words.say(screed, 'temperature', 0)} at the pipe.`,
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

/** Rules about what a controller does as a whole: its line, its defrost, its battery, its week. */
export const controllerRules: readonly Rule[] = [resetLineRuns, resetLineFits, batteryKept, defrostEnds, weekClear]
