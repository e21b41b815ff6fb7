import { proportionalKeys, piKeys, threePointKeys } from '../controls/band'
import { batteryKeys } from '../controls/battery'
import { constantKeys } from '../controls/constant'
import { defrostKeys } from '../controls/defrost'
import { fanKeys } from '../controls/fan'
import { groupKeys } from '../controls/group'
import { onOffKeys } from '../controls/onOff'
import { rampedKeys } from '../controls/ramped'
import { resetKeys } from '../controls/reset'
import { scheduleKeys } from '../controls/schedule'
import { stagedKeys } from '../controls/staged'
import { timeProportionedKeys } from '../controls/timeProportioned'
import { timerKeys } from '../controls/timer'
import { type Control } from '../scenario'
import { type Keys, checkPart, numbers, isTree, type Tree, each, oneOf, said } from './checkPart'

const lineKeys = {
  designOutdoorC: 'number',
  designSupplyC: 'number',
  warmOutdoorC: 'number',
  warmSupplyC: 'number',
  minimumSupplyC: 'number?',
  maximumSupplyC: 'number?',
  shutdownAboveC: 'number?',
  frostBelowC: 'number?',
  frostSupplyC: 'number?',
} as const satisfies Keys

const controlKeys: Readonly<Record<Control['kind'], Keys>> = {
  constant: constantKeys,
  'on-off': onOffKeys,
  staged: stagedKeys,
  proportional: proportionalKeys,
  pi: piKeys,
  'time-proportioned': timeProportionedKeys,
  'three-point': threePointKeys,
  fan: fanKeys,
  ramped: rampedKeys,
  reset: resetKeys,
  schedule: scheduleKeys,
  timer: timerKeys,
  defrost: defrostKeys,
  group: groupKeys,
  battery: batteryKeys,
}

/** Holds a reset line of a scenario to its fields and to its order. */
export function checkLine(where: string, value: unknown) {
  const line = checkPart(where, lineKeys, value) as Record<string, number>
  if (!(line['warmOutdoorC']! > line['designOutdoorC']!))
    throw new RangeError(
      `${where}.warmOutdoorC ${line['warmOutdoorC']} must be over designOutdoorC ${line['designOutdoorC']}`,
    )
}

/** Holds a span of hours of the day to from and to. */
export function checkHours(where: string, hours: unknown) {
  numbers(where, hours, 2)
  if ((hours as readonly number[]).length !== 2 || (hours as readonly number[]).some((h) => h < 0 || h > 24))
    throw new RangeError(`${where} must be two hours of the day, from 0 to 24`)
}

/** Holds an expression of conditions to names, and, or and not. */
export function checkExpression(where: string, value: unknown, depth = 0) {
  if (typeof value === 'string') return
  const keys = isTree(value) ? Object.keys(value) : []
  if (keys.length !== 1 || !['and', 'or', 'not'].includes(keys[0]!) || depth > 8)
    throw new RangeError(`${where} must be a name, or hold and, or, not (eight deep at most)`)
  const held = (value as Tree)[keys[0]!]
  if (keys[0] === 'not') checkExpression(`${where}.not`, held, depth + 1)
  else each(`${where}.${keys[0]}`, held, (at, part) => checkExpression(at, part, depth + 1))
}

/** Order of two temperatures that mean on and off. */
function checkOrder(where: string, { action, onC, offC }: Tree) {
  if (action === 'heating' ? !((onC as number) < (offC as number)) : !((onC as number) > (offC as number)))
    throw new RangeError(
      `${where}.onC ${onC} must be ${action === 'heating' ? 'under' : 'over'} offC ${offC} for ${action}`,
    )
}

/** Holds a control of a scenario to the fields of its kind. */
export function checkControl(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  oneOf(`${where}.kind`, value['kind'], Object.keys(controlKeys))
  const kind = value['kind'] as Control['kind']
  const control = checkPart(where, { id: 'text', kind: 'text', ...controlKeys[kind] }, value)
  if ('action' in control) oneOf(`${where}.action`, control['action'], ['heating', 'cooling'])
  if ('probeFault' in control)
    oneOf(
      `${where}.probeFault`,
      control['probeFault'],
      kind === 'fan' ? ['off', 'on', 'least'] : kind === 'ramped' ? ['off', 'on'] : ['off', 'on', 'last', 'duty'],
    )
  if (isTree(control['setback'])) checkPart(`${where}.setback`, { while: 'text', byK: 'number' }, control['setback'])
  if (kind === 'on-off' || kind === 'ramped') checkOrder(where, control)
  if (kind === 'staged') {
    each(`${where}.stages`, control['stages'], (at, stage) => {
      checkOrder(at, {
        ...checkPart(at, { drives: 'text', onC: 'number', offC: 'number' }, stage),
        action: control['action'],
      })
    })
    if ((control['stages'] as unknown[]).length === 0) throw new RangeError(`${where}.stages are empty: one at least`)
    if (control['lead'] !== undefined) oneOf(`${where}.lead`, control['lead'], ['fixed', 'rotate'])
  }
  if ('zeroC' in control) {
    const { action, zeroC, fullC } = control as { action: string; zeroC: number; fullC: number }
    if (action === 'heating' ? fullC >= zeroC : fullC <= zeroC)
      throw new RangeError(
        `${where}.fullC ${fullC} must be ${action === 'heating' ? 'under' : 'over'} zeroC ${zeroC} for ${action}`,
      )
    const [least, most] = [control['leastShare'] ?? 0, control['mostShare'] ?? 1] as [number, number]
    if (least > most) throw new RangeError(`${where}.leastShare ${least} must not be over mostShare ${most}`)
  }
  if (kind === 'fan')
    each(`${where}.demands`, control['demands'], (at, demand) => {
      const { zeroAt, fullAt } = checkPart(at, { probe: 'text', zeroAt: 'number', fullAt: 'number' }, demand)
      if (zeroAt === fullAt) throw new RangeError(`${at}.fullAt ${String(fullAt)} must differ from zeroAt`)
    })
  if (kind === 'reset') checkLine(`${where}.line`, control['line'])
  if (kind === 'schedule')
    each(`${where}.periods`, control['periods'], (at, period) => {
      const { days, start } = checkPart(at, { days: 'text', start: 'text', minutes: 'over0' }, period)
      if (!/^[1-7]+$/.test(days as string)) throw new RangeError(`${at}.days is ${said(days)}: digits 1 (Monday) to 7`)
      if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(start as string))
        throw new RangeError(`${at}.start is ${said(start)}: write 06:30`)
    })
  if (kind === 'timer') {
    oneOf(`${where}.mode`, control['mode'], ['once', 'repeat'])
    if (control['mode'] === 'repeat' && !((control['aS'] as number) > 0 && (control['bS'] as number) > 0))
      throw new RangeError(`${where} repeats: aS and bS must be over 0`)
    if (isTree(control['from']))
      oneOf(
        `${where}.from.action`,
        checkPart(`${where}.from`, { probe: 'text', action: 'text', atC: 'number' }, control['from'])['action'],
        ['heating', 'cooling'],
      )
  }
  if (kind === 'defrost') oneOf(`${where}.by`, control['by'], ['time', 'coil'])
  if (kind === 'battery' && !((control['restartV'] as number) > (control['cutOffV'] as number)))
    throw new RangeError(
      `${where}.restartV ${String(control['restartV'])} must be over cutOffV ${String(control['cutOffV'])}`,
    )
}
