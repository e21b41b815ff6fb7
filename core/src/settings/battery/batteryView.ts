import { answersOf } from '../../kinds/answersOf'
import { type BatteryCutOff, batteryCutOff } from './law/batteryCutOff'
import type { ResolvedDevice } from '../../document/chain'
import type { BatteryPlan } from './fields'
import { fieldValue } from '../../plant/fieldValue'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { rowLoads } from '../../wiring/conductors'
import { sourceOf } from '../../wiring/sources'
import { warmWireOhm } from '../../wiring/wireResistance'
import type { LoopContext } from '../../loop/context'
import type { Consequence } from '../consequences'

interface BatteryView {
  readonly plan: BatteryPlan
  readonly cutOff: BatteryCutOff
  readonly volts: number
  readonly glowA: number
  readonly glowS: number
  readonly runA: number
  /** Whether the cable's loss comes from lengths that were written down. */
  readonly measured: boolean
  /** Ampere-hours that are left at the cut-off, and what the after-run takes. */
  readonly leftAh?: number
  readonly afterRunAh: number
  readonly lines: readonly Consequence[]
}

/** Share that is left in a rested lead battery at a voltage of one 12 V block, straight between the printed points. */
function leftShare(volts: number, data: LoopContext['data']): number {
  const points = [
    [fieldValue(data, 'bat.rest.fifth').typical - 0.3, 0],
    [fieldValue(data, 'bat.rest.fifth').typical, 0.2],
    [fieldValue(data, 'bat.rest.half').typical, 0.5],
    [fieldValue(data, 'bat.rest.full').typical, 1],
  ] as const
  const at = points.findIndex(([v]) => v >= volts)
  if (at === 0) return 0
  if (at < 0) return 1
  const [[v0, s0], [v1, s1]] = [points[at - 1]!, points[at]!]
  return s0 + ((s1 - s0) * (volts - v0)) / (v1 - v0)
}

/** Where the cut-off really acts, seen from the battery, and what it leaves for the after-run. */
export function batteryView(context: LoopContext, device: ResolvedDevice): BatteryView | undefined {
  const plan = controllerPlanOf(context, device).battery
  if (!plan) return undefined
  const { chain, loop, data, words, rows, job, survey } = context
  const heater = chain.devices.find(({ facts }) => facts.load?.afterRun)
  const facts = heater?.facts.load
  const answers = answersOf(loop)
  const figure = (id: string, own: number | undefined, row: string) =>
    typeof answers[id] === 'number' ? answers[id] : (survey?.figures[id]?.value ?? own ?? fieldValue(data, row).typical)
  const glowA = figure('glowA', facts?.glowA, 'heater.glow.a')
  const glowS = figure('glowS', facts?.glowS, 'heater.glow.s')
  const runA = figure('runA', facts?.runA, 'heater.run.a')
  const volts = sourceOf(chain, device).volts ?? 12
  // The heater's own pair from the battery: the controller sees what is left at its end.
  const feed = rowLoads(rows, chain, loop.wiring.rows, job.practice).filter(
    ({ row }) => row.fedBy && heater && row.serves.some((key) => key.startsWith(heater.id)),
  )
  const measured = feed.length > 0 && feed.every(({ assumed }) => !assumed)
  const loopOhm = measured
    ? feed.reduce((sum, { lengthM, sizeMm2 }) => sum + (sizeMm2 === null ? 0 : warmWireOhm(lengthM, sizeMm2)), 0)
    : fieldValue(data, 'drop.cabinstart').typical / fieldValue(data, 'heater.glow.a').typical
  const cutOff = batteryCutOff({ ...plan, loopOhm, glowA, glowS, runA })
  const blocks = volts > 18 ? 2 : 1
  const capacityAh = typeof answers['batteryAh'] === 'number' ? answers['batteryAh'] : undefined
  const lead = answers['chemistry'] !== 'lfp'
  const leftAh =
    capacityAh !== undefined && lead
      ? capacityAh * leftShare(cutOff.runsAboveV / blocks + fieldValue(data, 'bat.sag').typical, data)
      : undefined
  const afterRunAh = facts?.afterRun?.ah ?? runA * (fieldValue(data, 'heater.after').typical / 60)
  const volt = (v: number) => words.say(v, 'voltage', 2)
  const line = (id: string, label: string, text: string): Consequence => ({
    id,
    label,
    value: null,
    quantity: 'voltage',
    text,
  })
  return {
    plan,
    cutOff,
    volts,
    glowA,
    glowS,
    runA,
    measured,
    afterRunAh,
    ...(leftAh === undefined ? {} : { leftAh }),
    lines: [
      {
        id: 'runs',
        label: 'Runs while the battery is over',
        value: cutOff.runsAboveV,
        quantity: 'voltage',
        decimals: 2,
      },
      { id: 'starts', label: 'Starts while it is over', value: cutOff.startsAboveV, quantity: 'voltage', decimals: 2 },
      line(
        'drop',
        'Cable loses',
        `${volt(cutOff.glowDropV)} at ${words.say(glowA, 'current', 1)} of glow, ${volt(cutOff.runDropV)} running${measured ? '' : ', estimated'}`,
      ),
      line(
        'hold',
        'A start',
        cutOff.glowCuts
          ? `glows ${words.say(glowS, 'seconds')}, longer than the hold of ${words.say(plan.holdS, 'seconds')}: low there it cuts itself off`
          : `is over before the hold of ${words.say(plan.holdS, 'seconds')} ends, or its drop is small`,
      ),
      line('restart', 'Starts again over', `${volt(plan.restartV)}, ${volt(cutOff.marginV)} clear of the cut-off`),
      ...(leftAh === undefined
        ? []
        : [
            line(
              'left',
              'Left at the cut-off',
              `about ${words.say(leftAh, 'ampereHours')} of ${words.say(capacityAh!, 'ampereHours')}`,
            ),
          ]),
      line('after', 'The after-run takes', words.say(afterRunAh, 'ampereHours', 2)),
      line('cuts', 'Cut off by', 'the run input, never by the supply: the after-run must finish'),
    ],
  }
}
