import { readFileSync } from 'node:fs'
import { ordered } from '../schema/ordered'
import { emptyJob, emptyLoop, type JobDocument, type LoopDocument } from '../document/documents'
import type { DeviceProfile } from '../device/deviceProfile'
import { withParts } from '../device/withParts'
import { defaultBehaviour } from '../survey/defaultBehaviour'
import { placing } from '../survey/placing'
import { addDevice, type Edited } from '../wiring/chainEdit'
import { calcData } from './calcData'
import { fieldData } from './fieldData'

/** A profile from the shelf, for tests. */
export const profile = (path: string) =>
  withParts(
    JSON.parse(readFileSync(new URL(`../../../shelf/${path}.json`, import.meta.url), 'utf8')) as DeviceProfile,
    calcData.parts,
  )

export const basics = {
  name: 'Test job',
  place: 'Here',
  zone: 'Europe/Oslo',
  temperatureUnit: 'C',
  system: 'metric',
} as const

export const answers = {
  probePlace: 'screed',
  target: 28,
  tolerance: 1,
  designOutdoor: -10,
  floorArea: 38,
  insulation: 'fair',
  supplyWater: 42,
  zone: 'edge',
  screedKind: 'cement',
  screedAge: 1000,
  wet: 'dry',
  explosive: 'no',
}

/** An empty job with one warm floor surveyed, and nothing in its chain. */
export function surveyedFloor(jobChanges: Partial<JobDocument> = {}): Edited {
  const job = { ...emptyJob('job', basics), ...jobChanges }
  const loop = emptyLoop('loop', 'job', 'floor', 'Hatchling floor', 1)
  return { job, loop: { ...loop, survey: { ...loop.survey, answers } } }
}

/** Devices of a loop with two probes, two outputs, two loads and a limiter for each. */
export const twoOutputs = [
  'probes/floor-ntc10k',
  'probes/room-ntc10k',
  'controllers/redwing',
  'loads/circulator-45',
  'loads/floor-mat-900',
  'limiters/shrike',
  'limiters/fieldfare',
  'supplies/mains-230-20',
]

/** The same with a chain from the shelf, in this order, and the starting plan for each output that has an input. */
export function plannedFloor(
  devices: readonly string[] = [
    'probes/floor-ntc10k',
    'controllers/dipper',
    'loads/circulator-45',
    'limiters/shrike',
    'supplies/mains-230-10',
  ],
  edited: Edited = surveyedFloor(),
): Edited {
  const chained = devices.reduce(
    (next, path, i) => addDevice(next, profile(path), `device-${i + 1}`, placing(next.loop, profile(path), fieldData)),
    edited,
  )
  return { ...chained, loop: withPlans(chained.job, chained.loop) }
}

function withPlans(job: JobDocument, loop: LoopDocument): LoopDocument {
  const planned = ordered(loop.chain.devices).flatMap((device) => {
    const facts = job.profiles[device.profile]!
    if (!facts.controller) return []
    const inputs = Object.keys(facts.ports).filter((port) => facts.ports[port]!.kind === 'probe-in')
    return Object.keys(facts.ports)
      .filter((port) => facts.ports[port]!.kind === 'contact')
      .map(
        (port, i) =>
          [
            `plan-${i + 1}`,
            defaultBehaviour(
              loop,
              facts.controller!,
              { device: device.id, port },
              { device: device.id, port: inputs[i]! },
              i + 1,
              fieldData,
            ),
          ] as const,
      )
  })
  return { ...loop, settings: { ...loop.settings, planned: Object.fromEntries(planned) } }
}
