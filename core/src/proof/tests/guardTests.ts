import type { LoopContext } from '../../check/context'
import type { FanBehaviour, PlanOf } from '../../job/behaviour'
import type { ResolvedDevice } from '../../job/chain'
import { fieldValue } from '../../plant/fieldValue'
import { plansOf } from '../../job/behaviour'
import { quantityView } from '../../units/quantity'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import type { Outcome, StepSpec, TestSpec } from '../proofTest'
import { readingsOf } from '../takeTest'
import {
  around,
  cause,
  loadName,
  nameOf,
  noted,
  outputName,
  sourceOfRow,
  spec,
  stageGroup,
  toKeying,
  toProbe,
  toWires,
  yesNo,
} from './parts'

const look = (head: string, reason: string, ...causes: ReturnType<typeof cause>[]): Partial<Outcome> => ({
  verdict: 'look',
  head,
  reason,
  next: causes[0]!.check,
  causes,
})
const stop = (head: string, reason: string, ...causes: ReturnType<typeof cause>[]): Partial<Outcome> => ({
  ...look(head, reason, ...causes),
  verdict: 'stop',
})

/** Air over an enclosure cooler must get this much colder, K. Source: symptom rows of the cooler. */
const COOLER_K = 8

/** An enclosure cooler: its valve or compressor really opens, air gets cold over it, water runs off outside. */
export function coolerTest(context: LoopContext, plan: PlanOf): TestSpec {
  const { say } = context.words
  const load = loadName(context, plan)
  return spec(context, {
    id: `cooler/${plan.id}`,
    kind: 'cooler',
    title: 'Cooler',
    about: load,
    purpose: `${load} opens when it is asked, and air gets at least ${say(COOLER_K, 'difference', 0)} colder over it.`,
    have: ['two thermometers'],
    how: 'Cabinet shut, ten minutes of run, thermometers in the air going in and coming out.',
    rule: `${say(COOLER_K, 'difference', 0)} or more: it works. Less is the cooler; enough and still too warm is the load.`,
    safety: ['Compressed air: shut and bleed before opening; goggles, hearing. Drives keep their charge.'],
    steps: [
      {
        id: 'opens',
        title: 'Opens',
        does: `The control asks: does ${load} open (click, hiss, fan)?`,
        main: yesNo('It opens'),
      },
      {
        id: 'drop',
        title: 'Colder by',
        does: 'Air going in less air coming out, after ten minutes.',
        main: {
          kind: 'number',
          label: 'Colder by',
          quantity: 'difference',
          expected: COOLER_K,
          low: COOLER_K,
          high: Infinity,
          source: 'a cooler that works: at least 8 K',
        },
      },
      {
        id: 'shuts',
        title: 'Shuts',
        does: `The control is satisfied: does ${load} shut, without a hiss?`,
        main: yesNo('It shuts'),
      },
      {
        id: 'dry',
        title: 'Dry',
        does: 'Is the cabinet dry inside, and the way for air or water out open?',
        main: yesNo('Dry'),
      },
    ],
    judge: (found, wrong) => {
      if (found.picked('opens') === 'no')
        return look(
          'It does not open',
          'Asked, and nothing moved.',
          cause(
            'valve-coil',
            'Coil on the wrong voltage, open, or its plunger stuck.',
            'Licensed: volts and amperes of the coil against its plate. Never power a coil off its stem.',
            toWires,
          ),
        )
      if (found.picked('shuts') === 'no')
        return look(
          'It does not shut',
          'It blows on when nothing asks.',
          cause(
            'valve-dirt',
            'Dirt under the seat, or the contact is welded.',
            'Lift its wire: shuts it? Then the contact; else clean the seat, air shut and bled.',
            toWires,
          ),
        )
      if (wrong.includes('drop')) {
        const drop = found.value('drop')
        return look(
          'The cooler is weak',
          `${drop === null || drop === undefined ? 'Nothing' : say(drop, 'difference')} colder; ${say(COOLER_K, 'difference', 0)} is the least.`,
          cause(
            'cooler-weak',
            'Too little pressure at the cooler, a fouled filter or coil, or its exhaust shut.',
            'Pressure at the cooler while it flows; filter; exhaust. Shut and bleed before opening.',
          ),
        )
      }
      if (found.picked('dry') === 'no')
        return look(
          'Water in the cabinet',
          'It cools under the dew point, or hall air is drawn in.',
          cause(
            'dew',
            'The set is under the dew point, a gland is open, or the drain is shut.',
            'Set 35 °C or over the dew point; seal; free the drain.',
            toKeying,
          ),
        )
      return undefined
    },
  })
}

/** The backup thermostat of a fan: full speed by itself with the control off; the alarm on its own supply sounds. */
export function backupTest(context: LoopContext, plan: PlanOf<FanBehaviour>): TestSpec | undefined {
  const { chain } = context
  const alarm = chain.devices.find(({ facts }) => facts.load?.alarm !== undefined)
  const backup = chain.devices.find(
    ({ id, facts }) => facts.controller !== undefined && id !== plan.output.device && !facts.ports['signal'],
  )
  if (!alarm && !backup) return undefined
  const own = plansOf(context.loop.settings.planned).find(({ output }) => output.device === backup?.id)
  const steps: StepSpec[] = [
    ...(backup
      ? [
          {
            id: 'backup',
            title: 'Backup thermostat',
            does: `Switch the control off. Warm ${nameOf(backup)}${own ? ` over ${context.words.say(own.setpointC, 'temperature')}` : ''}: the air moves at full speed by itself.`,
            main: yesNo('Full speed by itself'),
          },
        ]
      : []),
    ...(alarm
      ? [
          {
            id: 'alarm',
            title: 'Alarm, supply off',
            does: `Switch off the circuit that feeds the fan. Does ${nameOf(alarm)} sound, on its own supply?`,
            main: yesNo('It sounds'),
          },
          {
            id: 'air',
            title: 'Alarm, no air',
            does: 'Circuit on again, air proof open (intake held shut with a board): does it sound?',
            main: yesNo('It sounds'),
          },
        ]
      : []),
    {
      id: 'restart',
      title: 'Power back',
      does: 'Power off for a minute and back: seconds until air moves again, by itself.',
      main: noted('Seconds', 'seconds', { nothing: 'stays off' }),
      clock: true,
    },
  ]
  return spec(context, {
    id: `backup/${plan.id}`,
    kind: 'backup',
    title: 'Air when the control fails',
    about: outputName(context, plan),
    purpose: 'Living things breathe this air: backup to full speed, alarm on its own supply, back after a power cut.',
    have: ['warm air or a warm hand', 'stopwatch', 'somebody beside the animals'],
    how: 'With the animals out, or the door open and somebody beside them.',
    rule: 'Every one of them works. None of them can be reasoned away.',
    guards: true,
    safety: ['Never leave living things without air: door open, somebody there, minutes only.'],
    steps,
    judge: (found) => {
      if (found.picked('backup') === 'no')
        return stop(
          'Stop: the backup does not come',
          'With the control off the air stands.',
          cause(
            'backup-dead',
            'The backup thermostat is set too high, wired behind the control, or its fan has no supply of its own.',
            'Its dial; then its line from the supply, past the control.',
            toWires,
          ),
        )
      if (found.picked('alarm') === 'no')
        return stop(
          'Stop: no alarm without the supply',
          'The alarm dies with what it watches.',
          cause(
            'alarm-supply',
            'It hangs on the circuit that feeds the fan, or its own battery is empty.',
            'Its own circuit or battery; then again.',
            toWires,
          ),
        )
      if (found.picked('air') === 'no')
        return stop(
          'Stop: no alarm without air',
          'Air stopped and nobody was told.',
          cause(
            'air-proof',
            'The air proof does not open, or is not joined to the alarm.',
            'Ohms over the air proof with the intake shut.',
            toWires,
          ),
        )
      if (found.value('restart') === null)
        return stop(
          'Stop: it stays off after a power cut',
          'Nobody is there when power comes back at night.',
          cause(
            'no-restart',
            'The control or the drive waits for a key after a power cut.',
            'Key it to start by itself; the leaflet names where.',
            toKeying,
          ),
        )
      return undefined
    },
  })
}

/** After a power cut: the values are kept, the output comes back by itself (or stays off where it must), stages one after another. */
export function restartTest(context: LoopContext, device: ResolvedDevice, plans: readonly PlanOf[]): TestSpec {
  const { say } = context.words
  const stages = plans[0] ? stageGroup(context, plans[0]) : []
  const waitS = controllerPlanOf(context, device).stages?.waitS ?? 0
  const restarts = device.facts.controller?.restarts
  return spec(context, {
    id: `restart/${device.id}`,
    kind: 'restart',
    title: 'After a power cut',
    about: nameOf(device),
    purpose: 'Power off and back: nothing forgotten, nothing all at once.',
    have: ['stopwatch'],
    how: 'Switch off the circuit for a minute while it runs, then on.',
    rule:
      stages.length > 0 && waitS > 0
        ? `Stages at least ${say(waitS, 'seconds')} apart.`
        : 'Same values, same output, by itself.',
    safety: ['Hot surfaces, rotating parts: everything may start by itself when power comes back.'],
    steps: [
      { id: 'kept', title: 'Values', does: 'Does the display show set and mode as before?', main: yesNo('As before') },
      {
        id: 'comes',
        title: 'Output',
        does: 'Does the output come back without a hand?',
        main: {
          kind: 'choice',
          label: 'Output',
          choices: { back: 'Comes back', stays: 'Stays off' },
          ...(restarts === undefined ? {} : { wants: restarts ? 'back' : 'stays' }),
        },
      },
      ...(stages.length > 0 && waitS > 0
        ? [
            {
              id: 'apart',
              title: 'Stages apart',
              does: 'All stages asked for: seconds between the first and the second start.',
              main: {
                kind: 'number',
                label: 'Seconds',
                quantity: 'seconds',
                expected: waitS,
                low: waitS * (1 - fieldValue(context.data, 'tol.timer').high / 100) - 1,
                high: Infinity,
                source: sourceOfRow(context, 'tol.timer'),
                nothing: 'together',
              } as const,
              clock: true as const,
            },
          ]
        : []),
    ],
    judge: (found, wrong) => {
      if (found.picked('kept') === 'no')
        return look(
          'It forgot',
          'Values are not as before.',
          cause(
            'values-lost',
            'It was not left by its keys after keying, so nothing was stored; or its memory is worn.',
            'Key again, leave the menu by its key, power off and on.',
            toKeying,
          ),
        )
      if (wrong.includes('comes'))
        return look(
          restarts ? 'It stays off' : 'It comes back by itself',
          'Not what its leaflet says.',
          cause(
            'restart-differs',
            'A key is needed after a power cut, or a load of its own locks out.',
            'Look what the load shows; tell the owner.',
            toKeying,
          ),
        )
      if (wrong.includes('apart'))
        return look(
          'All together',
          'The start of all at once trips breakers and dips volts.',
          cause(
            'no-stagger',
            'No wait between stages is keyed, or the integral was not reset.',
            `Key ${say(waitS, 'seconds')} between stages.`,
            toKeying,
          ),
        )
      return undefined
    },
  })
}

/** Readings of a warm-up, as shares of the time it should take to go most of the way. */
const TIMES = [0, 0.25, 0.5, 0.75, 1] as const
/** A warm-up that is watched goes this share of the way to its end. */
const WAY = 0.8
/** A reading that strays by less is as simulated, share of the rise. */
const STRAYS = 0.15

/** Temperature of a first-order plant after a time at full power, °C. Formula: end + (start − end) e^(−t H/C). */
export const warmsTo = (startC: number, endC: number, seconds: number, tauS: number) =>
  endC + (startC - endC) * Math.exp(-seconds / tauS)

/**
 * Warm-up (or pull-down) watched: readings at fixed times against the survey's plant at full power. Slow from the start is power,
 * slow only later is loss. Said as soon as it can be.
 */
export function warmUpTest(context: LoopContext, plan: PlanOf): TestSpec | undefined {
  const { survey, words } = context
  const { say } = words
  if (!survey) return undefined
  const { lossWPerK, capacityJPerK, restC, targetC } = survey.seen
  const powerW = survey.seen.fullPowerW ?? survey.seen.powerW
  const sign = plan.action === 'heating' ? 1 : -1
  if (!(powerW > 0) || !(lossWPerK > 0) || !(capacityJPerK > 0)) return undefined
  // What is around it and where it starts are read first; until then the design day stands for them.
  const id = `warm-up/${plan.id}`
  const readings = readingsOf(context, id)
  const design = context.loop.survey.answers['designOutdoor']
  const designC = typeof design === 'number' ? design : restC
  const aroundC = (readings.get('around')?.value ?? designC) + restC - designC
  const endC = aroundC + (sign * powerW) / lossWPerK
  const tauS = capacityJPerK / lossWPerK
  const startC =
    readings.get('t-1')?.value ??
    (plan.action === 'heating' ? Math.min(aroundC, targetC - 1) : Math.max(aroundC, targetC + 1))
  const reachC = startC + WAY * (targetC - startC)
  const share = (reachC - endC) / (startC - endC)
  // Where it never gets there, it is watched for one time constant.
  const totalS = share > 0 && share < 1 ? -tauS * Math.log(share) : tauS
  const stepsAt = TIMES.map((t) => Math.round((t * totalS) / 60) * 60)
  const risesK = Math.abs(warmsTo(startC, endC, totalS, tauS) - startC)
  const tolerance = Math.max(0.5, STRAYS * risesK)
  return spec(context, {
    id,
    kind: 'warm-up',
    title: plan.action === 'heating' ? 'Warm-up watch' : 'Pull-down watch',
    about: outputName(context, plan),
    purpose: `From ${say(startC, 'temperature')} to ${say(warmsTo(startC, endC, totalS, tauS), 'temperature')} in ${say(totalS / 3600, 'hours')}, by the survey\u2019s plant at full power.`,
    have: ['thermometer at the place of the probe', 'watch, or a logger'],
    how: `Start it cold at full output. Readings at the times given. ${say(powerW, 'power')} against ${say(lossWPerK, 'loss')} and ${say(capacityJPerK, 'capacity')}.`,
    rule: `Within ${say(tolerance, 'difference')} of the simulated line. Slow from the start is power, slow later is loss.`,
    spare: true,
    steps: [
      {
        id: 'around',
        title: 'Around it',
        does: 'Read the temperature around it: what it loses its heat to, or takes it from.',
        main: noted('Around it', 'temperature', { expected: designC }),
      },
      ...TIMES.map((_, i): StepSpec => {
        const atC = warmsTo(startC, endC, stepsAt[i]!, tauS)
        return {
          id: `t-${i + 1}`,
          at: { input: plan.input, afterS: stepsAt[i]! },
          title: i === 0 ? 'Start' : `After ${say(stepsAt[i]! / 60, 'minutes')}`,
          does: i === 0 ? 'Read it before it starts.' : `Read it ${say(stepsAt[i]! / 60, 'minutes')} after the start.`,
          main:
            i === 0
              ? noted('Starts at', 'temperature', { expected: startC })
              : around('Reads', 'temperature', atC, tolerance, 'the survey\u2019s plant, simulated'),
        }
      }),
    ],
    chart: (found) => {
      const { toShown, label } = quantityView('temperature', context.words.preferences)
      const start = found.value('t-1')
      return {
        xTitle: 'minutes',
        yTitle: label,
        points: TIMES.map((_, i) => {
          const atC = warmsTo(typeof start === 'number' ? start : startC, endC, stepsAt[i]!, tauS)
          const value = found.value(`t-${i + 1}`)
          return {
            x: stepsAt[i]! / 60,
            should: toShown(atC),
            low: toShown(atC - tolerance),
            high: toShown(atC + tolerance),
            ...(typeof value === 'number' ? { read: toShown(value) } : {}),
          }
        }),
      }
    },
    judge: (found) => {
      const start = found.value('t-1')
      if (typeof start !== 'number') return undefined
      const read = TIMES.flatMap((_, i) => {
        const value = found.value(`t-${i + 1}`)
        return i > 0 && typeof value === 'number'
          ? [
              {
                s: stepsAt[i]!,
                rose: sign * (value - start),
                should: sign * (warmsTo(start, endC, stepsAt[i]!, tauS) - start),
              },
            ]
          : []
      })
      if (read.length === 0) return undefined
      const first = read[0]!
      const early = first.rose / Math.max(1e-6, first.should)
      if (early < 0.1)
        return look(
          'It does not move',
          `${say(first.rose, 'difference')} in ${say(first.s / 60, 'minutes')}; ${say(first.should, 'difference')} was expected.`,
          cause(
            'no-power',
            'Nothing arrives: no power, no flow, or the probe is not where it warms.',
            'The two questions: commanded? answered?',
            toProbe,
          ),
        )
      const last = read.at(-1)!
      const late = last.rose / Math.max(1e-6, last.should)
      if (early < 1 - 1.5 * STRAYS)
        return look(
          'Slow from the start: power',
          `${say(first.rose, 'difference')} in the first ${say(first.s / 60, 'minutes')}, ${say(first.should, 'difference')} expected: about ${say(early * powerW, 'power')} of ${say(powerW, 'power')}.`,
          cause(
            'power-low',
            'Less power than surveyed: volts (power goes with their square), an element open, little flow, a lock-out.',
            'Volts and amperes, or the gas meter and a stopwatch; then flow.',
            toWires,
          ),
        )
      if (early > 1 + 1.5 * STRAYS)
        return look(
          'Faster than surveyed',
          `${say(first.rose, 'difference')} in the first ${say(first.s / 60, 'minutes')}, ${say(first.should, 'difference')} expected.`,
          cause(
            'capacity-less',
            'Less to warm than surveyed, or more power: it will cycle faster than reckoned.',
            'Correct power or heat capacity in the survey; look at the starts an hour again.',
            { stage: 'survey', says: 'Open the survey' },
          ),
        )
      if (read.length > 1 && late < 1 - STRAYS)
        return look(
          'Right at first, slow later: loss',
          `${say(last.rose, 'difference')} in ${say(last.s / 60, 'minutes')}, ${say(last.should, 'difference')} expected.`,
          cause(
            'loss-high',
            'It loses more than surveyed: open door, wind, wet insulation, no cover.',
            'Shut and cover it, look again; then correct the loss in the survey.',
            { stage: 'survey', says: 'Open the survey' },
          ),
        )
      return undefined
    },
  })
}
