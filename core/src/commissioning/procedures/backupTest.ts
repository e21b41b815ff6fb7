import type { LoopContext } from '../../loop/context'
import { plansOf, type PlanOf } from '../../settings/behaviour'
import { forcedAir } from '../../wiring/forcedAir'
import type { StepSpec, TestSpec } from '../proofTest'
import { cause, nameOf, noted, outputName, spec, stop, toKeying, toWires, yesNo } from './parts'

/** The backup thermostat of a fan: full speed by itself with the control off; the alarm on its own supply sounds. */
export function backupTest(context: LoopContext, plan: PlanOf): TestSpec | undefined {
  const { chain } = context
  const alarm = chain.devices.find(({ facts }) => facts.load?.alarm !== undefined)
  const { backups } = forcedAir(chain)
  const backup = (backups.find(({ ownLine, ownSupply }) => ownLine && ownSupply) ?? backups[0])?.device
  if (!alarm && !backup) return undefined
  const own = plansOf(context.loop.settings.planned).find(({ output }) => output.device === backup?.id)
  const steps: StepSpec[] = [
    ...(backup
      ? [
          {
            id: 'backup',
            title: 'Backup thermostat',
            does: `Switch the control off; its own circuit too, so that the backup has nothing but its own. Warm ${nameOf(backup)}${own ? ` over ${context.words.say(own.setpointC, 'temperature')}` : ''}: the air moves at full speed by itself.`,
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
            does: 'Circuit on again, air proof open: the fan stopped by its own switch, or the pressure tube pulled off the air-flow switch, hands clear. Does it sound?',
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
    protects: true,
    safety: ['Never leave living things without air: door open, somebody there, minutes only.'],
    steps,
    judge: (found) => {
      if (found.picked('backup') === 'no')
        return stop('backup.backup-dead', {}, cause('backup.backup-dead', {}, toWires))
      if (found.picked('alarm') === 'no')
        return stop('backup.alarm-supply', {}, cause('backup.alarm-supply', {}, toWires))
      if (found.picked('air') === 'no') return stop('backup.air-proof', {}, cause('backup.air-proof', {}, toWires))
      if (found.value('restart') === null)
        return stop('backup.no-restart', {}, cause('backup.no-restart', {}, toKeying))
      return undefined
    },
  })
}
