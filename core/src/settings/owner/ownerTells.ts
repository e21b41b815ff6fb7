import { answersOf } from '../../kinds/answersOf'
import { boundTo } from '../../device/bound'
import { ordered } from '../../schema/ordered'
import type { ResolvedDevice } from '../../document/chain'
import type { LoopContext } from '../../loop/context'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { spell } from '../../time/spell'
import { capital } from '../../words/terms'
import { counted } from '../../words/words'
import { type OnOffBehaviour, type PlanOf, plansOf, switchingOf } from '../behaviour'
import { resetLine } from '../reset/law/resetLine'
import { resetSavingOf, saySaved } from '../reset/resetSeason'
import { resetView, shiftedLine } from '../reset/resetView'
import { daysSay } from '../week/weekView'
import { type OwnerRow, ownerView } from './ownerView'

/** One thing that may be turned: several setpoints that hang together are one. */
export interface OwnerTurn {
  readonly codes: readonly string[]
  readonly name: string
  readonly planned: string
  readonly range: string
  readonly meaning: string
}

/** What the owner of a loop is told: as it really behaves, and only what he can turn. */
export interface OwnerTells {
  /** What it does, a sentence each. */
  readonly does: readonly string[]
  /** Three outdoor temperatures with the water at each, where the water follows the weather. */
  readonly line: readonly { readonly outdoor: string; readonly water: string }[]
  /** Stages with where each runs, where there are several on one controller. */
  readonly stages: readonly { readonly tag: string; readonly on: string; readonly off: string }[]
  readonly turns: readonly OwnerTurn[]
  /** How to turn it, where that is more than turning. */
  readonly how: readonly string[]
  /** What is seen on the display or heard, and what it means and asks for. */
  readonly shows: readonly (readonly [see: string, means: string])[]
  /** What only the fitter changes, by name. */
  readonly mayNot: readonly string[]
}

/** Controllers that give an output of this loop. */
function controllersOf({ chain, loop }: LoopContext): ResolvedDevice[] {
  const plans = plansOf(loop.settings.planned)
  return chain.devices.filter(({ id, facts }) => facts.controller && plans.some(({ output }) => output.device === id))
}

const plansAt = ({ loop }: LoopContext, { id }: ResolvedDevice) =>
  plansOf(loop.settings.planned).filter(({ output }) => output.device === id)

const verb = ({ action }: Pick<PlanOf, 'action'>) => (action === 'heating' ? 'Heats' : 'Cools')

/** Water by the weather: coldest day, the warm end, and between them. */
function lineOf(context: LoopContext, device: ResolvedDevice): OwnerTells['line'] {
  const plan = controllerPlanOf(context, device).reset
  if (!plan || !resetView(context, device)) return []
  const { say } = context.words
  const at = resetLine(shiftedLine(plan, plan.shiftK))
  const { designOutdoorC, warmOutdoorC, shutdownAboveC = Infinity } = plan
  const warmC = Math.min(warmOutdoorC, shutdownAboveC)
  return [designOutdoorC, (designOutdoorC + warmC) / 2, warmC].map((outdoorC) => {
    const waterC = at(outdoorC)
    return { outdoor: say(outdoorC, 'temperature', 0), water: waterC === null ? 'off' : say(waterC, 'temperature', 0) }
  })
}

/** What one controller does with its outputs. */
function outputsDo(context: LoopContext, device: ResolvedDevice): readonly string[] {
  const { say, term } = context.words
  const plans = plansAt(context, device)
  const { reset } = controllerPlanOf(context, device)
  const [first] = plans
  const saving = reset && resetSavingOf(context)
  if (!first) return []
  if (reset && resetView(context, device))
    return [
      'The water follows the weather: the colder it is outdoors, the warmer the water. No fixed temperature is set.',
      ...(reset.shutdownAboveC === undefined
        ? []
        : [`Over ${say(reset.shutdownAboveC, 'temperature', 0)} outdoors the heating rests.`]),
      ...(saving ? [`Against one fixed temperature it saves in a season ${saySaved(saving, context.words)}.`] : []),
      ...(reset.setbackK > 0
        ? [`In its night periods the water is ${say(reset.setbackK, 'difference', 0)} cooler.`]
        : []),
    ]
  const switching = plans.filter((plan): plan is PlanOf<OnOffBehaviour> => plan.kind === 'on-off')
  if (
    switching.length > 1 &&
    switching.length === plans.length &&
    switching.every(({ action }) => action === first.action)
  )
    return [
      `${verb(first)} in ${counted(switching.length, 'stage')} from one setpoint, ${say(first.setpointC, 'temperature')}: the further off it is, the more of them run.`,
    ]
  return plans.map((plan) => {
    if (plan.kind === 'on-off') {
      const { onC, offC } = switchingOf(plan)
      return `${verb(plan)}: on at ${say(onC, 'temperature')}, off at ${say(offC, 'temperature')}. Between the two it stays as it was.`
    }
    if (plan.kind === 'band')
      return `${verb(plan)} a little or a lot, as much as it takes, about ${say(plan.setpointC, 'temperature')}.`
    const humid = plan.humidityPercent === undefined ? '' : ` or over ${say(plan.humidityPercent, 'percent')} humidity`
    const least =
      plan.minimumPercent === 'off'
        ? 'It may stand still.'
        : `It never runs under ${say(plan.minimumPercent, 'percent')}.`
    return `Moves air: faster over ${say(plan.setpointC, 'temperature')}${humid}. ${least} The ${term('setpoint')} is where it begins to run faster.`
  })
}

/** What a controller does besides: timer, week, defrost, battery. */
function besides(context: LoopContext, device: ResolvedDevice): readonly string[] {
  const { say } = context.words
  const { timer, week, defrost, battery } = controllerPlanOf(context, device)
  const periods = week ? ordered(week.periods) : []
  return [
    ...(timer?.mode === 'once' && timer.aS <= 0
      ? ['No time is set on its timer: it runs on until it is switched off.']
      : []),
    ...(timer && (timer.mode !== 'once' || timer.aS > 0)
      ? [
          timer.mode === 'once'
            ? `A timer ends it: ${spell(timer.aS)} from ${timer.from === 'key' ? 'when its key is pressed' : 'when it has reached its temperature'}. Then it is off until it is started again.`
            : `A timer lets it run ${spell(timer.aS)}, then rest ${spell(timer.bS)}, over and over.`,
        ]
      : []),
    ...periods.map(
      ({ days, start, minutes, mode }) => `${daysSay(days)} from ${start} for ${spell(minutes * 60)}: ${mode}.`,
    ),
    ...(defrost
      ? [
          `It melts the ice off its coil ${defrost.by === 'coil' && defrost.coilC !== undefined ? `when the coil is at ${say(defrost.coilC, 'temperature')}, at the latest ` : ''}every ${say(defrost.everyH, 'hours', 0)}, for ${say(defrost.longestMin, 'minutes')} at most. It gets a little warmer meanwhile: that is no fault.`,
        ]
      : []),
    ...(battery
      ? [
          `Under ${say(battery.cutOffV, 'voltage')} of battery for ${spell(battery.holdS)} it stops, so that the battery lasts. It starts again over ${say(battery.restartV, 'voltage')}.`,
        ]
      : []),
  ]
}

/** What an output does without its probe, as an owner lives with it. */
function brokenWords({ probeFault, action }: PlanOf): string {
  if (probeFault === 'on') return `it ${action === 'heating' ? 'heats' : 'cools'} without a stop`
  if (probeFault === 'duty') return 'it runs part of the time, whatever the temperature'
  return probeFault === 'last' ? 'it goes on as it last did' : `it does not ${action === 'heating' ? 'heat' : 'cool'}`
}

/** What a controller shows that is no temperature, and what to do then. */
function showsOf(context: LoopContext, device: ResolvedDevice): OwnerTells['shows'] {
  const { say } = context.words
  const { name, facts } = device
  const controller = facts.controller!
  const [plan] = plansAt(context, device)
  if (!plan) return []
  const { defrost, battery, timer } = controllerPlanOf(context, device)
  const { tells = {}, faultDisplay } = controller
  const codes = [...new Set([faultDisplay.open, faultDisplay.short])].filter((code) => code !== '' && code !== 'none')
  // What has no alarm of its own tells none, whatever is planned.
  const heard = Object.values(facts.ports).some((port) => port.kind === 'contact' && port.role === 'alarm')
  const alarms = (binds: 'alarmHigh' | 'alarmLow') => boundTo(controller, binds) !== undefined || heard
  const sees = (code: string | undefined, otherwise: string) =>
    code === undefined ? `${name} ${otherwise}` : `${name} shows ${code}`
  const alarm = heard ? 'gives its alarm' : 'tells an alarm'
  return [
    ...(codes.length > 0
      ? ([
          [
            `${name} shows ${codes.join(' or ')}`,
            `Its probe is broken. Until it is mended ${brokenWords(plan)}. Call.`,
          ],
        ] as const)
      : []),
    ...(codes.length === 0
      ? ([
          [
            `${name} has no display`,
            'It tells nothing of a broken probe: too warm or too cold is all there is to see. Then call.',
          ],
        ] as const)
      : []),
    ...(alarms('alarmHigh') && plan.alarmHighC !== undefined
      ? ([
          [
            sees(tells.alarmHigh, alarm),
            plan.action === 'cooling'
              ? `Over ${say(plan.alarmHighC, 'temperature')}: look whether a door stands open or the plant is off; still so after an hour, call.`
              : `Over ${say(plan.alarmHighC, 'temperature')}: it heats more than it should. Switch the heating off; still so after an hour, call.`,
          ],
        ] as const)
      : []),
    ...(alarms('alarmLow') && plan.alarmLowC !== undefined
      ? ([[sees(tells.alarmLow, alarm), `Under ${say(plan.alarmLowC, 'temperature')}: call.`]] as const)
      : []),
    ...(defrost
      ? ([
          [sees(tells.defrost, 'is warmer for a while'), 'It melts ice. Nothing to do; still so after an hour, call.'],
        ] as const)
      : []),
    ...(battery
      ? ([
          [
            sees(tells.batteryLow, 'stops by itself'),
            `The battery is under ${say(battery.cutOffV, 'voltage')}. Charge it; it starts again over ${say(battery.restartV, 'voltage')}.`,
          ],
        ] as const)
      : []),
    ...(timer?.mode === 'once' && timer.aS > 0
      ? ([
          [sees(tells.timerOver, 'is off'), 'The time is over. Start it again with its key when it is wanted.'],
        ] as const)
      : []),
  ]
}

/** What is said of a range where none is typed and the keys hold nobody's hand. */
const NO_RANGE = 'no range agreed'
/** What does harm far from where it was left. */
const unbound = /^(setpoint|humidity|timer)/

const turnOf = ({ code, name, planned, range, meaning, binds, meant, held }: OwnerRow): OwnerTurn => ({
  ...{ codes: [code], name, planned, meaning },
  // From end to end of the keys is no range that anybody means.
  range: unbound.test(binds ?? '') && !meant && !held ? NO_RANGE : (range ?? 'as you like'),
})

/** What may be turned on one controller; setpoints of stages as one. */
function turnsOf(rows: readonly OwnerRow[]): readonly OwnerTurn[] {
  const sets = rows.filter(({ binds }) => binds === 'setpoint')
  const [first] = sets
  if (!first || sets.length < 2) return rows.map(turnOf)
  const one = turnOf(first)
  return [
    {
      ...one,
      codes: sets.map(({ code }) => code),
      name: `${sets.map(({ name }) => name).join(', ')}: all by as much`,
      planned: sets.map(({ planned }) => planned).join(', '),
      range: one.range === NO_RANGE ? one.range : `${first.name} ${one.range}`,
      meaning: 'They hang together.',
    },
    ...rows.filter(({ binds }) => binds !== 'setpoint').map(turnOf),
  ]
}

/** How to turn what may be turned, where that is not plain. */
function howOf(context: LoopContext, device: ResolvedDevice, turns: readonly OwnerRow[]): readonly string[] {
  const { reset } = controllerPlanOf(context, device)
  return reset && turns.some(({ binds }) => binds === 'reset.shift')
    ? ['Rooms too cool or too warm: turn it by one, and wait a day before turning again.']
    : []
}

/** What is heard of alarms that stand by themselves: a gas that kills, air that stands. */
function heardOf({ chain }: LoopContext): OwnerTells['shows'] {
  return chain.devices.flatMap(({ name, facts }): OwnerTells['shows'] =>
    facts.permissive?.senses === 'co'
      ? [
          [
            `${name} sounds`,
            'Carbon monoxide, which cannot be smelled: everybody out into the open air, call the emergency number. Do not start the heater again: call.',
          ],
        ]
      : facts.load?.alarm === 'own-supply'
        ? [
            [
              `${name} sounds`,
              'Too warm, or no power: open what can be opened, look after who is in there, call at once.',
            ],
          ]
        : [],
  )
}

/** What the owner of a loop is told, by what the loop does. */
export function ownerTells(context: LoopContext): OwnerTells {
  const devices = controllersOf(context)
  const { say } = context.words
  const { survey } = context
  // What is held is the rooms, whatever the water is.
  const heldC = survey?.boiler ? answersOf(context.loop)['target'] : survey?.seen.targetC
  const views = devices.map((device) => [device, ownerView(context, device)?.rows ?? []] as const)
  const turnsAt = (rows: readonly OwnerRow[]) =>
    rows.filter(({ may, level, idle }) => may && level === 'owner' && !idle)
  const line = devices.flatMap((device) => lineOf(context, device))
  const limiter = context.chain.devices.find(({ facts }) => facts.limiter?.reset === 'manual')
  return {
    line,
    does: [
      ...devices
        .flatMap((device, i) => {
          const does = [...outputsDo(context, device), ...besides(context, device)]
          // What a second one does is told as its own: alone it would read as what the first does.
          return i === 0
            ? does
            : does.map((said) => `${device.name}, on its own: ${said[0]!.toLowerCase()}${said.slice(1)}`)
        })
        .map(capital),
      ...(survey && typeof heldC === 'number'
        ? [`It is made to hold ${survey.boiler ? 'rooms at ' : ''}${say(heldC, 'temperature')}.`]
        : []),
    ],
    stages: devices.flatMap((device) => {
      const plans = plansAt(context, device).filter((plan): plan is PlanOf<OnOffBehaviour> => plan.kind === 'on-off')
      if (plans.length < 2) return []
      return plans.map((plan, i) => {
        const { onC, offC } = switchingOf(plan)
        return { tag: `stage ${i + 1}`, on: say(onC, 'temperature'), off: say(offC, 'temperature') }
      })
    }),
    turns: views.flatMap(([, rows]) => turnsOf(turnsAt(rows))),
    how: views.flatMap(([device, rows]) => howOf(context, device, turnsAt(rows))),
    shows: [
      ...devices.flatMap((device) => showsOf(context, device)),
      ...(limiter
        ? [
            [
              `${limiter.name} has opened`,
              'It protects against overheating. Do not reset it: call. It is reset once its cause is found.',
            ] as const,
          ]
        : []),
      ...heardOf(context),
      [
        'Smell of gas or burning, smoke',
        'Switch off at the main switch if it is safe, out, call the emergency number.',
      ] as const,
    ],
    mayNot: views.flatMap(([, rows]) => rows.filter(({ may, idle }) => !may && !idle).map(({ name }) => name)),
  }
}
