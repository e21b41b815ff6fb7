import { answersOf } from '../../kinds/answersOf'
import { factsOfKind } from '../../kinds/kinds'
import { fieldValue } from '../../plant/fieldValue'
import type { LoopContext } from '../../loop/context'
import type { Found } from '../finding'
import { batteryView } from '../../settings/battery/batteryView'
import { defrostView } from '../../settings/defrost/defrostView'
import { resetController, resetView } from '../../settings/reset/resetView'
import { daysSay, weekView } from '../../settings/week/weekView'
import { screedMostC } from '../../kinds/screedQuestions'
import { answered, lookAgain, type Rule, stop } from './rule'

const controllers = ({ chain }: LoopContext) => chain.devices.filter(({ facts }) => facts.controller !== undefined)

const resetLineFits: Rule = (context) => {
  const device = resetController(context)
  const view = resetView(context, device)
  if (!device || !view) return []
  const { words, data, loop } = context
  const { plan } = view
  const found: Found[] = []
  const limit = fieldValue(data, 'tol.reset').typical
  if (view.shortK > limit)
    found.push(lookAgain('C101_LINE_UNDER_NEED', { about: device.id, figures: { shortK: view.shortK } }, 'set'))
  if (plan.shutdownAboveC !== undefined && plan.frostBelowC === undefined && plan.designOutdoorC < 0)
    found.push(
      stop(
        'C102_NO_FROST_PROTECTION',
        {
          about: device.id,
          figures: { designOutdoorC: plan.designOutdoorC },
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
  const floor = factsOfKind(loop.kind).emitter === 'floor' || answered(context, 'emitter') === 'floor'
  const hottest = Math.max(...view.line.map(({ supplyC }) => supplyC))
  const answers = answersOf(context.loop)
  const screed = screedMostC(answers, data)
  if (floor && answers['screedKind'] !== 'none' && hottest > screed)
    found.push(
      stop(
        'C103_LINE_OVER_SCREED',
        {
          about: device.id,
          figures: { hottest, known: answers['screedKind'] !== undefined, screed },
          fix: {
            ...{ do: 'controller', device: device.id, change: { reset: { ...plan, maximumSupplyC: screed } } },
            say: `Plan ${words.say(screed, 'temperature', 0)} at most`,
          },
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
  const crossed = !(plan.warmOutdoorC > plan.designOutdoorC)
  const limits =
    plan.minimumSupplyC !== undefined && plan.maximumSupplyC !== undefined && plan.minimumSupplyC > plan.maximumSupplyC
  if (!crossed && !limits) return []
  return [
    lookAgain(
      'C100_LINE_CROSSED',
      {
        about: device.id,
        figures: {
          crossed,
          warmOutdoorC: plan.warmOutdoorC,
          designOutdoorC: plan.designOutdoorC,
          minimumSupplyC: plan.minimumSupplyC!,
          maximumSupplyC: plan.maximumSupplyC!,
        },
      },
      'set',
    ),
  ]
}

const weekClear: Rule = (context) =>
  controllers(context).flatMap((device): Found[] => {
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
            figures: { first: named(first), second: named(second), minutes },
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
                figures: { tag: device.tag, most: view.most, periodsCount: view.periods.length, over },
              },
              'set',
            ),
          ]
        : []),
    ]
  })

const defrostEnds: Rule = (context) =>
  controllers(context).flatMap((device): Found[] => {
    const view = defrostView(context, device)
    if (!view) return []
    const { plan } = view
    const { words, data } = context
    const usualH = 24 / fieldValue(data, 'df.perday').typical
    if (view.none && plan.by === 'time' && plan.leads !== false)
      return [
        lookAgain(
          'C108_DEFROST_NEVER',
          {
            about: device.id,
            figures: { everyH: plan.everyH, none: view.none },
            fix: {
              ...{ do: 'controller', device: device.id, change: { defrost: { ...plan, everyH: usualH } } },
              say: `Plan a defrost every ${words.say(usualH, 'hours', 0)}`,
            },
          },
          'set',
        ),
      ]
    const usualMin = fieldValue(data, 'df.time.electric').typical
    if (view.electric && plan.longestMin <= 0)
      return [
        stop(
          'C109_DEFROST_ENDLESS',
          {
            about: device.id,
            figures: {},
            fix: {
              ...{ do: 'controller', device: device.id, change: { defrost: { ...plan, longestMin: usualMin } } },
              say: `Plan ${words.say(usualMin, 'minutes')} at most`,
            },
          },
          'set',
        ),
      ]
    const found: Found[] = []
    if (view.cycle?.endedBy === 'time')
      found.push(
        lookAgain(
          'C110_DEFROST_CUT_SHORT',
          { about: device.id, figures: { longestMin: plan.longestMin, endC: plan.endC } },
          'set',
        ),
      )
    const usualC = fieldValue(data, 'df.fan.coil').high
    if (plan.fanBackC > 0)
      found.push(
        lookAgain(
          'C111_FAN_BACK_WARM',
          {
            about: device.id,
            figures: { fanBackC: plan.fanBackC },
            fix: {
              ...{ do: 'controller', device: device.id, change: { defrost: { ...plan, fanBackC: usualC } } },
              say: `Plan the fan back at ${words.say(usualC, 'temperature', 0)}`,
            },
          },
          'set',
        ),
      )
    return found
  })

const batteryKept: Rule = (context) =>
  controllers(context).flatMap((device): Found[] => {
    const view = batteryView(context, device)
    if (!view) return []
    const { plan, cutOff, glowS, leftAh, afterRunAh, volts } = view
    const { data, words } = context
    const usualV = fieldValue(data, 'bat.cutoff.v').typical * (volts > 18 ? 2 : 1)
    const restartV = fieldValue(data, 'bat.restart').typical * (volts > 18 ? 2 : 1)
    const leastV = fieldValue(data, 'bat.cutoff.v').low * (volts > 18 ? 2 : 1)
    const found: Found[] = []
    if (plan.cutOffV < leastV || (leftAh !== undefined && leftAh < 2 * afterRunAh))
      found.push(
        stop(
          'C112_CUT_OFF_LOW',
          {
            about: device.id,
            figures: {
              cutOffV: plan.cutOffV,
              leftAh,
              afterRunAh,
            },
            fix: {
              ...{ do: 'controller', device: device.id, change: { battery: { ...plan, cutOffV: usualV } } },
              say: `Plan a cut-off at ${words.say(usualV, 'voltage', 1)}`,
            },
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
            figures: { glowDropV: cutOff.glowDropV, glowS, holdS: plan.holdS, startsAboveV: cutOff.startsAboveV },
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
            figures: {
              runDropV: cutOff.runDropV,
              restartV: plan.restartV,
            },
            fix: {
              ...{ do: 'controller', device: device.id, change: { battery: { ...plan, restartV } } },
              say: `Plan a restart at ${words.say(restartV, 'voltage', 1)}`,
            },
          },
          'set',
        ),
      )
    return found
  })

/** Rules about what a controller does as a whole: its line, its defrost, its battery, its week. */
export const controllerRules: readonly Rule[] = [resetLineRuns, resetLineFits, batteryKept, defrostEnds, weekClear]
