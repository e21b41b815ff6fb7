import type { DeviceProfile } from '../device/deviceProfile'
import type { ProbePlace } from '../choices/deviceChoices'
import { type ChainDevice, resolveDevice } from './chain'
import type { JobDocument } from './documents'

// How version 2 counted the steps of mounting: a tick was kept under the place of its step in these lists. They are of then and stay.
const byPlace: Readonly<Partial<Record<ProbePlace, readonly string[]>>> = {
  pocket: ['shut-off', 'drill', 'seal', 'paste'],
  pipe: ['bare', 'clamp', 'insulate'],
  floor: ['conduit', 'pull'],
  outdoor: ['housing'],
  coil: ['clip'],
  water: ['sleeve'],
  oven: ['gland'],
}
const byKind: Readonly<Record<string, readonly string[]>> = {
  pool: ['flush'],
  enclosure: ['air-line'],
  'cold-room': ['seal-holes'],
  cabin: ['cable'],
}

function stepsOf({ sits }: ChainDevice, facts: DeviceProfile): readonly string[] {
  const place = sits ?? (Object.keys(facts.probe?.places ?? {})[0] as ProbePlace | undefined)
  return [
    ...(facts.probe && place ? (byPlace[place] ?? []) : []),
    ...(facts.permissive?.senses === 'flow' ? ['flow-shut-off', 'tee', 'fill'] : []),
    ...(facts.limiter ? ['own-probe'] : []),
    ...(facts.body?.mount === 'panel' ? ['cut', 'gasket'] : []),
    ...(facts.body?.mount === 'wall' ? ['fix'] : []),
  ]
}

interface Places {
  readonly kind?: string
  readonly chain?: { readonly devices?: Readonly<Record<string, ChainDevice>> }
}

/**
 * The key under which version 3 keeps a tick that version 2 kept under the place of its step; nothing where no step stood there, and the very
 * same for what is no step of mounting.
 */
export function mountingKey(key: string, loop: Places, job: JobDocument | undefined): string | undefined {
  const [, of, at] = /^mount\/([^/]+)\/(\d+)$/.exec(key) ?? []
  if (of === undefined || at === undefined) return key
  if (of === 'kind') return named('kind', byKind[loop.kind ?? '']?.[Number(at)])
  const own = loop.chain?.devices?.[of]
  const device = own ?? job?.devices[of]
  const resolved = device && job && resolveDevice(job, { ...device, id: of }, own === undefined)
  return resolved && named(of, stepsOf(device, resolved.facts)[Number(at)])
}

const named = (of: string, step: string | undefined) => step && `mount/${of}/${step}`
