import type { Answer, LoopKind } from '../document/documents'
import type { BandBehaviour, Behaviour, FanBehaviour, OnOffBehaviour } from '../document/behaviour'
import { ordered, type ChainDevice } from '../document/chain'
import type { ControllerPlan } from '../document/controllerPlan'
import { withDefaultPlans } from '../survey/defaultPlans'
import { placing } from '../survey/placing'
import {
  addDevice,
  type Edited,
  insertDevice,
  joinPorts,
  removeDevice,
  replaceDevice,
  setDevice,
} from '../wiring/chainEdit'
import { fieldData } from './fieldData'
import { device, surveyed } from './loops'

/** A chain that is sound for each kind: supplies first, then device by device; `a>b:c` puts c into the connection from a to b. */
const sound: Readonly<Record<LoopKind, readonly string[]>> = {
  floor: ['mains-230-16-30ma', 'floor-ntc10k', 'dipper', 'circulator-45', 'shrike'],
  boiler: ['mains-230-10', 'martin', 'pocket-ntc10k', 'outdoor-ntc10k', 'boiler-cond'],
  pool: [
    'mains-230-16-30ma',
    'safety-24',
    'redstart',
    'pocket-ntc10k-3977',
    'pool-gas',
    'flow-reed',
    'redstart>flow-reed:isolate-24ac',
  ],
  fan: [
    'mains-230-16-30ma',
    'safety-24-20',
    'swift',
    'air-ntc10k',
    'humid-010',
    'fan-ec-010',
    'lapwing',
    'fan-ac',
    'alarm-own',
    'air-proof',
    'air-proof.contact=alarm-own.in',
    // The backup has a circuit of its own.
    'mains-230-10',
    'mains-230-10.out=lapwing.warm',
  ],
  enclosure: ['mains-230-10', 'ouzel', 'panel-k', 'air-valve-230'],
  room: ['mains-230-10', 'dipper', 'room-ntc10k', 'panel-heater-1500', 'hobby'],
  'cold-room': [
    'mains-230-20',
    'eider',
    'chill-ntc10k',
    'coil-ntc10k',
    'cold-unit-1500',
    'evaporator-fan',
    'defrost-heater-800',
  ],
  chiller: [
    'mains-230-10',
    'curlew',
    'pocket-pt1000',
    'compressor-call',
    'flow-reed',
    'flow-reed>compressor-call:frost-stat',
  ],
  cabinet: [
    'mains-230-20',
    'goosander',
    'oven-pt100',
    'oven-element-2000',
    'goshawk',
    'goosander>goshawk:contactor-25',
  ],
  cabin: ['battery-12-lead', 'ptarmigan', 'cabin-ntc10k', 'cabin-heater', 'co-alarm'],
}

/** The steps of a kind's sound chain. */
export const soundSteps = (kind: LoopKind) => sound[kind]

let made = 0
const planned = (edited: Edited) => withDefaultPlans(edited, fieldData, () => `plan-${++made}`)

/** Id of the device of a profile in this chain; the first where there are several. @throws RangeError when there is none */
export function idOf({ job, loop }: Edited, profile: string): string {
  const found = ordered({ ...job.devices, ...loop.chain.devices }).find((each) => each.profile === profile)
  if (!found) throw new RangeError(`no ${profile} in this chain`)
  return found.id
}

/** One step of a chain as written above. */
export function step(edited: Edited, said: string): Edited {
  const id = `d${++made}`
  const put = (profile: string) => placing(edited.loop, device(profile), fieldData)
  const [, a, b, between] = /^(.+)>(.+):(.+)$/.exec(said) ?? []
  if (a && b && between) {
    const connection = Object.entries(edited.loop.chain.connections).find(
      ([, c]) => c.from.device === idOf(edited, a) && c.to.device === idOf(edited, b),
    )
    if (!connection) throw new RangeError(`no connection from ${a} to ${b}`)
    return planned(insertDevice(edited, connection[0], device(between), id, put(between)))
  }
  const [, from, out, to, into] = /^(.+)\.(.+)=(.+)\.(.+)$/.exec(said) ?? []
  if (from && out && to && into)
    return planned(
      joinPorts(edited, { device: idOf(edited, from), port: out }, { device: idOf(edited, to), port: into }),
    )
  return planned(addDevice(edited, device(said), id, put(said)))
}

/** A surveyed loop of a kind with these steps; its sound chain unless others are given. */
export const chained = (
  kind: LoopKind,
  answers: Readonly<Record<string, Answer | undefined>> = {},
  steps: readonly string[] = sound[kind],
): Edited => steps.reduce(step, surveyed(kind, answers))

export const withoutDevice = (edited: Edited, profile: string): Edited =>
  planned(removeDevice(edited, idOf(edited, profile)))

export const swapped = (edited: Edited, profile: string, other: string): Edited =>
  planned(replaceDevice(edited, idOf(edited, profile), device(other), placing(edited.loop, device(other), fieldData)))

export const told = (edited: Edited, profile: string, change: Partial<ChainDevice>): Edited =>
  setDevice(edited, idOf(edited, profile), change)

/** Every plan changed the same way. */
export const replanned = (
  edited: Edited,
  change: Partial<OnOffBehaviour> | Partial<BandBehaviour> | Partial<FanBehaviour>,
): Edited => ({
  ...edited,
  loop: {
    ...edited.loop,
    settings: {
      ...edited.loop.settings,
      planned: Object.fromEntries(
        Object.entries(edited.loop.settings.planned).map(([id, plan]) => [id, { ...plan, ...change } as Behaviour]),
      ),
    },
  },
})

/** Parts of the plan of a controller as a whole changed. */
export function rewhole(
  edited: Edited,
  profile: string,
  change: (plan: ControllerPlan) => Partial<ControllerPlan>,
): Edited {
  const id = idOf(edited, profile)
  const { controllers, ...settings } = edited.loop.settings
  const plan = controllers?.[id] ?? {}
  return {
    ...edited,
    loop: {
      ...edited.loop,
      settings: { ...settings, controllers: { ...controllers, [id]: { ...plan, ...change(plan) } } },
    },
  }
}

/** Single plans changed by the order they stand in, from 1. */
export const replannedAt = (edited: Edited, changes: Readonly<Record<number, Partial<OnOffBehaviour>>>): Edited => ({
  ...edited,
  loop: {
    ...edited.loop,
    settings: {
      ...edited.loop.settings,
      planned: Object.fromEntries(
        ordered(edited.loop.settings.planned).map(({ id, ...plan }, i) => [
          id,
          { ...plan, ...changes[i + 1] } as Behaviour,
        ]),
      ),
    },
  },
})
