import { boundTo } from '../../device/bound'
import type { ResolvedDevice } from '../../document/chain'
import type { LoopContext } from '../../loop/context'
import type { DriveKeys } from '../../settings/drive/driveKeys'
import { drivePlan, motorOn } from '../../settings/drive/drivePlan'
import { plannedValues } from '../../settings/plannedValues'
import type { Quantity } from '../../units/quantity'
import type { Found } from '../finding'
import { type Rule, told } from './rule'

/** So much a plate is rounded: a current keyed a little over it is none. */
const ROUNDED_SHARE = 0.02

interface Limit {
  readonly binds: 'motorCurrent' | 'fastest' | 'slowest'
  readonly quantity: Quantity
  readonly severity: 'stop' | 'look-again'
  readonly plate: (plan: DriveKeys) => number | undefined
  readonly breaks: (keyed: number, plate: number) => boolean
}

/** What of a drive must not go past the plate of its motor. Over its current nothing trips before the winding burns. */
const limits: readonly Limit[] = [
  {
    ...{ binds: 'motorCurrent', quantity: 'current', severity: 'stop', plate: ({ motorA }) => motorA },
    breaks: (keyed, plate) => keyed > plate * (1 + ROUNDED_SHARE),
  },
  {
    ...{ binds: 'fastest', quantity: 'frequency', severity: 'look-again', plate: ({ fastestHz }) => fastestHz },
    breaks: (keyed, plate) => keyed > plate,
  },
  {
    ...{ binds: 'slowest', quantity: 'frequency', severity: 'look-again', plate: ({ slowestHz }) => slowestHz },
    breaks: (keyed, plate) => keyed < plate,
  },
]

const ofDrive = (context: LoopContext, drive: ResolvedDevice): Found[] => {
  const { controller } = drive.facts
  const on = motorOn(context.chain, drive)
  const plan = drivePlan(context.chain, drive)
  if (!controller || !on || !plan) return []
  const values = plannedValues(context, drive)
  return limits.flatMap(({ binds, quantity, severity, plate, breaks }): Found[] => {
    const parameter = boundTo(controller, binds)
    const keyed = parameter && values.get(parameter.code)
    const asked = plate(plan)
    if (!parameter || typeof keyed !== 'number' || asked === undefined || !breaks(keyed, asked)) return []
    const { values: kept = {} } = context.loop.settings.controllers?.[drive.id] ?? {}
    return [
      told(
        'C159_DRIVE_OFF_PLATE',
        `${drive.id}.${parameter.code}`,
        { tag: drive.tag, motor: on.motor.tag, name: parameter.name, quantity, keyed, plate: asked, binds },
        {
          severity,
          step: 'set',
          fix: {
            ...{ do: 'controller', device: drive.id, change: { values: { ...kept, [parameter.code]: asked } } },
            say: `Plan ${parameter.name} at ${context.words.say(asked, quantity)}`,
          },
        },
      ),
    ]
  })
}

const platesKept: Rule = (context) =>
  context.chain.devices.filter(({ facts }) => facts.category === 'drive').flatMap((drive) => ofDrive(context, drive))

/** Rules about drives and the motors on them. */
export const driveRules: readonly Rule[] = [platesKept]
