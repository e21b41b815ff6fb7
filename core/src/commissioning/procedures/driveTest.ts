import type { LoopContext } from '../../loop/context'
import type { PlanOf } from '../../settings/behaviour'
import type { ResolvedDevice } from '../../document/chain'
import { boundTo } from '../../device/bound'
import { outputScale } from '../../settings/band/bandView'
import { motorOn } from '../../settings/drive/drivePlan'
import type { TestSpec } from '../proofTest'
import { around, cause, nameOf, spec, toKeying, toWires } from './parts'

/** A drive's display counts whole or tenths of a hertz. */
const DISPLAY_HZ = 0.5

/** A drive at nothing and at full: what its own display shows, that the motor runs cool at slowest, and stops without its run input. */
export function driveTest(context: LoopContext, drive: ResolvedDevice, plan: PlanOf): TestSpec {
  const scale = outputScale(context, plan)
  const motor = motorOn(context.chain, drive)?.motor.tag ?? 'the motor'
  const turns = drive.facts.controller && boundTo(drive.facts.controller, 'turns')
  const { say } = context.words
  const at = (id: string, title: string, percent: number) => ({
    id,
    title,
    does: `Bring the output of the controller to ${say(percent, 'percent')}. Wait out the ramp. What does the drive show?`,
    main: around(
      'Drive shows',
      'frequency',
      scale.at(percent),
      DISPLAY_HZ,
      `slowest and fastest as planned, within ${DISPLAY_HZ} Hz`,
      { nothing: 'stands' },
    ),
    at: { input: plan.input },
  })
  return spec(context, {
    id: `drive/${drive.id}`,
    kind: 'drive',
    title: 'Drive: slowest, fastest and which way',
    about: nameOf(drive),
    purpose: `From ${say(scale.at(0), 'frequency')} to ${say(scale.at(100), 'frequency')}, and standing without its run input.`,
    have: ['clamp meter'],
    how: 'Read the drive\u2019s own display. A meter at its output shows nothing that can be trusted.',
    rule: `Within ${DISPLAY_HZ} Hz; the motor keeps under its nameplate current at both ends.`,
    safety: [
      'A drive holds its charge: 5 minutes after switching off, or longer by its label. The motor starts by itself.',
    ],
    steps: [
      at('slowest', 'At nothing', 0),
      at('fastest', 'At full', 100),
      {
        id: 'turns',
        title: 'Which way it turns',
        does: `Let it run at slowest for a moment and let it stop. Which way does ${motor} turn, held against the arrow on its housing?`,
        main: {
          kind: 'choice',
          label: 'It turns',
          choices: { arrow: 'As its arrow', against: 'Against its arrow' },
          wants: 'arrow',
        },
        caution: 'Guards on, hands and sleeves clear: look, touch nothing. It may start again by itself.',
      },
      {
        id: 'run',
        title: 'Run input opened',
        does: 'Open the run input at the drive. The motor must stop and stay, whatever the signal says.',
        main: { kind: 'choice', label: 'The motor', choices: { stops: 'Stops', runs: 'Runs on' }, wants: 'stops' },
        at: { contact: { device: drive.id, is: 'open' } },
      },
    ],
    judge: (found, wrong) => {
      if (found.picked('run') === 'runs')
        return {
          verdict: 'stop',
          code: 'drive.run-bridged',
          figures: {},
          causes: [cause('drive.run-bridged', {}, toWires)],
        }
      if (found.picked('turns') === 'against')
        return {
          verdict: 'look',
          code: 'drive.turns-back',
          figures: { motor },
          causes: [
            cause('drive.turns-keyed', { ...(turns ? { name: turns.name } : {}) }, toKeying),
            cause('drive.turns-swapped', { drive: drive.tag, motor }, toWires),
          ],
        }
      const [slow, fast] = [found.value('slowest'), found.value('fastest')]
      if (wrong.length === 0 || (slow === undefined && fast === undefined)) return undefined
      const still =
        slow === null ||
        fast === null ||
        (typeof slow === 'number' && typeof fast === 'number' && Math.abs(slow - fast) < 1)
      const causes = still
        ? [cause('drive.drive-not-following', {}, toWires)]
        : [cause('drive.drive-limits', { wrong: wrong.includes('slowest') }, toKeying)]
      return {
        verdict: 'look',
        code: 'drive.drive-not-following',
        figures: {
          still,
          value: [slow, fast].map((hz) => (typeof hz === 'number' ? say(hz, 'frequency') : 'nothing')),
        },
        causes,
      }
    },
  })
}
