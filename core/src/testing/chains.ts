import type { Answer } from '../kinds/answers'
import type { LoopKind } from '../kinds/kinds'
import type { BandBehaviour, Behaviour, FanBehaviour, OnOffBehaviour } from '../settings/behaviour'
import { type ChainDevice } from '../document/chain'
import { ordered } from '../schema/ordered'
import type { ControllerPlan } from '../settings/controllerPlan'
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
import { sampleOf } from './sampleOf'

/** The steps of a chain that is sound for a kind: supplies first, then device by device; `a>b:c` puts c into the connection from a to b. */
export const soundSteps = (kind: LoopKind) => sampleOf(kind).chain

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
  steps: readonly string[] = soundSteps(kind),
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

/** Alarms that a controller can be keyed to, as its leaflet would have them. */
const alarmParameters = Object.fromEntries(
  (['alarmHigh', 'alarmLow'] as const).map((binds, i) => [
    `alarm${i + 1}`,
    {
      ...{ order: 90 + i, name: binds, meaning: 'Tells when it is past it.', level: 'installer' as const, binds },
      ...{ hand: 'turn its screw', quantity: 'temperature' as const, low: -50, high: 150, comes: 0 },
    },
  ]),
)

/** The same chain with controllers that have an alarm both ways. */
export const alarming = ({ job, loop }: Edited): Edited => ({
  job: {
    ...job,
    profiles: Object.fromEntries(
      Object.entries(job.profiles).map(([id, profile]) => [
        id,
        profile.controller
          ? {
              ...profile,
              controller: {
                ...profile.controller,
                parameters: { ...profile.controller.parameters, ...alarmParameters },
              },
            }
          : profile,
      ]),
    ),
  },
  loop,
})
