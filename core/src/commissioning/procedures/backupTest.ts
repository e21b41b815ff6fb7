import type { LoopContext } from '../../check/context'
import { plansOf, type PlanOf } from '../../document/behaviour'
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
            'Ohms over the air proof with its tube pulled.',
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
