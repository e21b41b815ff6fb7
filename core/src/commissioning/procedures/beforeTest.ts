import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import { fieldValue } from '../../plant/fieldValue'
import { reachOf } from '../../wiring/reach'
import type { TestSpec } from '../proofTest'
import { around, cause, loadName, noted, outputName, sourceOfRow, spec, toSet, toWires, yesNo, look } from './parts'

/** Current that tells a load that runs from one that stands, A. */
const RUNS_A = 0.05

/** Amperes by the nameplate of what an output switches in the end. */
function nameplateA({ chain }: Pick<LoopContext, 'chain'>, plan: PlanOf): { amps: number; motor: boolean } | undefined {
  const end = reachOf(chain, plan.output)[0]
  if (end?.port.kind !== 'load') return undefined
  const { kind, amps, powerW, volts, powerFactor, phases } = end.port.load
  const motor = kind === 'motor' || kind === 'compressor'
  const factor = powerFactor ?? (motor || kind === 'coil' ? 0.7 : 1)
  return { amps: amps ?? powerW / (volts * factor * (phases === 3 ? Math.sqrt(3) : 1)), motor }
}

/**
 * Two questions before any control test: does the control command, does the plant answer? Half of all control faults are plant faults.
 * A current beside them tells wire from plant. Expected: the nameplate, within field data tol.heater or, for motors, not over tol.current.
 */
export function beforeTest(context: LoopContext, plan: PlanOf): TestSpec {
  const load = loadName(context, plan)
  const plate = nameplateA(context, plan)
  const row = plate?.motor ? 'tol.current' : 'tol.heater'
  const limits = fieldValue(context.data, row)
  const wants = plan.action === 'heating' ? 'warms' : plan.kind === 'fan' ? 'turns' : 'cools'
  return spec(context, {
    id: `before/${plan.id}`,
    kind: 'before',
    title: 'Commanded? Answered?',
    about: outputName(context, plan),
    purpose: 'Half of all control faults are plant faults. First: does the control command, and does the plant answer?',
    have: ['clamp meter or thermometer'],
    how: 'Move the setpoint until the output has to come on. Look at display or lamp first, then at the load.',
    rule: 'Commanded and not answered is the plant, a wire or a contact; not commanded is the control.',
    steps: [
      {
        id: 'commanded',
        title: 'Commanded',
        does: `Move the setpoint until ${outputName(context, plan)} has to come on. Does its lamp or the display say that it commands?`,
        main: yesNo('Display or lamp says on'),
      },
      {
        id: 'answered',
        title: 'Answered',
        does: `Does ${load} answer: current, flow, a temperature difference? It ${wants} within minutes.`,
        main: yesNo('The load answers'),
      },
      {
        id: 'current',
        title: 'Current',
        spare: true,
        does: `Clamp the line of ${load}. By its nameplate it draws ${plate ? context.words.say(plate.amps, 'current') : 'what stands on it'}.`,
        main: plate
          ? {
              ...around('Current', 'current', plate.amps, 0, sourceOfRow(context, row)),
              low: plate.motor ? 0.3 * plate.amps : plate.amps * (1 + limits.low / 100),
              high: plate.amps * (1 + limits.high / 100),
            }
          : noted('Current', 'current'),
      },
    ],
    judge: (found, wrong) => {
      const [commanded, answered, amps] = [found.picked('commanded'), found.picked('answered'), found.value('current')]
      const flows = amps !== undefined && amps !== null && amps > RUNS_A
      const welded = cause('before.runs-uncommanded', { load }, toWires)
      if (commanded === 'no' && (answered === 'yes' || flows)) return look('before.runs-uncommanded', {}, welded)
      if (commanded === 'no')
        return look(
          'before.not-commanded',
          {},
          cause('before.not-commanded', {}, toSet(plan, undefined, 'Open what is planned')),
        )
      if (commanded === 'yes' && answered === 'no') {
        if (flows) return look('before.plant', { amps, wants }, cause('before.plant', {}))
        return look(
          'before.contact-or-fuse',
          { amps },
          cause('before.contact-or-fuse', {}, toWires),
          cause('before.load-open', { load }, toWires),
        )
      }
      if (commanded === 'yes' && wrong.includes('current') && amps !== undefined && amps !== null && plate) {
        const low = amps < plate.amps
        return look(
          'before.element-open',
          { low, amps, plateAmps: plate.amps },
          low
            ? cause('before.element-open', { motor: plate.motor })
            : cause('before.overloaded', { motor: plate.motor }),
        )
      }
      return undefined
    },
  })
}
