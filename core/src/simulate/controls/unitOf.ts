import type { Control } from '../scenario'
import { BandUnit } from './band'
import { BatteryUnit } from './battery'
import { ConstantUnit } from './constant'
import { DefrostUnit } from './defrost'
import { FanUnit } from './fan'
import { GroupUnit } from './group'
import type { ControlHost } from './host'
import { OnOffUnit } from './onOff'
import { RampedUnit } from './ramped'
import { ResetUnit } from './reset'
import { ScheduleUnit } from './schedule'
import { StagedUnit } from './staged'
import { TimeProportionedUnit } from './timeProportioned'
import { TimerUnit } from './timer'
import type { Unit } from './unit'

const FIRST = ['reset', 'schedule', 'timer', 'battery', 'defrost', 'group']

/** The order in which controls act: what others ask for goes before them. */
export const rankOf = ({ kind }: Control) => (FIRST.includes(kind) ? FIRST.indexOf(kind) : FIRST.length)

/** What a control is while it runs. @param defrosts those made so far, which a group leads */
export function unitOf(host: ControlHost, control: Control, defrosts: Map<string, DefrostUnit>): Unit {
  switch (control.kind) {
    case 'constant':
      return new ConstantUnit(host, control)
    case 'on-off':
      return new OnOffUnit(host, control)
    case 'staged':
      return new StagedUnit(host, control)
    case 'time-proportioned':
      return new TimeProportionedUnit(host, control)
    case 'proportional':
    case 'pi':
    case 'three-point':
      return new BandUnit(host, control)
    case 'fan':
      return new FanUnit(host, control)
    case 'ramped':
      return new RampedUnit(host, control)
    case 'schedule':
      return new ScheduleUnit(host, control)
    case 'timer':
      return new TimerUnit(host, control)
    case 'battery':
      return new BatteryUnit(host, control)
    case 'defrost': {
      const unit = new DefrostUnit(host, control)
      defrosts.set(control.id, unit)
      return unit
    }
    case 'group':
      return new GroupUnit(host, control, defrosts)
    case 'reset':
      return new ResetUnit(host, control)
  }
}
