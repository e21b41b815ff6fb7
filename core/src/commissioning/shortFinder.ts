import type { LoopContext } from '../loop/context'
import { type ResolvedConnection } from '../document/chain'
import { ordered } from '../schema/ordered'
import type { LoopDocument } from '../document/documents'
import { ohmWords } from '../words/ohmWords'
import { feedersOf } from '../wiring/feeders'
import { powerPaths } from '../wiring/powerPath'
import { loadOhm } from './deadSteps'
import { signOf } from './safetyStep'

/** One part of a branch in the order in which the current meets it: a wire, a contact, a fitting. */
interface BranchPart {
  readonly id: string
  readonly title: string
  /** Where the branch is opened behind this part. */
  readonly cut: string
}

/** What hangs on the faulty conductor and can be lifted by itself. */
export interface Branch {
  readonly id: string
  readonly title: string
  readonly parts: readonly BranchPart[]
  /** Short sign of the branch in the record of a reading. */
  readonly sign?: string
  /** Ohms of its load, where that hangs between the two conductors while measuring. */
  readonly loadOhm?: number
  /** What is lifted before the search: a winding, a coil, a transformer or a lamp reads some ohms of its own and is no fault. */
  readonly lifts?: string
}

/** One measurement: which branches were connected, and how far into a single one. */
export interface Cut {
  /** Branches left connected; all others lifted, their neutrals too. */
  readonly connected: readonly string[]
  /** Of the one branch that is left: how many of its parts, from the head. */
  readonly parts?: number
}

export interface CutReading extends Cut {
  /** Ohm; null is the meter's over-range. */
  readonly ohm: number | null
}

interface Found {
  readonly branch: string
  /** The one wire, contact or fitting; left out while only the branch is known. */
  readonly part?: string
}

type HuntState = 'measure' | 'mend' | 'clean'

interface Hunt {
  readonly state: HuntState
  /** What to lift and measure next. */
  readonly cut?: Cut
  readonly doing: string
  readonly should: string
  readonly found: readonly Found[]
  /** Branches that are known to be sound. */
  readonly sound: readonly string[]
  /** What each reading so far told. */
  readonly told: readonly { readonly cut: CutReading; readonly shorted: boolean; readonly says: string }[]
}

/** Sign of a cut, under which its reading is kept. */
export const cutKey = ({ branches }: Pick<HuntGround, 'branches'>, { connected, parts }: Cut) =>
  `${branches
    .filter(({ id }) => connected.includes(id))
    .map(({ id, sign }) => sign ?? id)
    .join('+')}${parts === undefined ? '' : `#${parts}`}`

/** Ohms that the loads of connected branches explain together; undefined where none is known to hang there. */
function explainedOhm(branches: readonly Branch[], connected: readonly string[]): number | undefined {
  const conductance = branches
    .filter(({ id, loadOhm: ohm }) => connected.includes(id) && ohm !== undefined && ohm > 0)
    .reduce((sum, { loadOhm: ohm }) => sum + 1 / ohm!, 0)
  return conductance > 0 ? 1 / conductance : undefined
}

/** The same for a cut: a load counts only while its branch is whole. */
const explainedAt = (branches: readonly Branch[], { connected, parts }: Cut) =>
  parts === undefined || parts >= (branches.find(({ id }) => id === connected[0])?.parts.length ?? 0)
    ? explainedOhm(branches, connected)
    : undefined

/** Under this there is a fault where no load explains it, ohm. Source: IEC 60364-6, 1 Mohm for mains. */
const SOUND_OHM = 1e6
/** A load reads at least this share of its plate when cold. */
const COLD = 0.7

/** Whether a reading means a fault in what was connected. A load explains its own ohms; much less is a fault beside it. */
function isShorted(reading: number | null, explained: number | undefined): boolean {
  if (reading === null) return false
  return explained === undefined ? reading < SOUND_OHM : reading < COLD * explained
}

const half = <T>(list: readonly T[]) => list.slice(0, Math.ceil(list.length / 2))

/**
 * Guides the search for a short on a dead circuit: halve what hangs on the conductor, measure, go on with the half that is joined until one
 * wire, contact or fitting is left; mend it, measure the whole again, go on while it still reads. Several faults are found one after another.
 * @param readings in the order in which they were taken; a reading of the whole begins a new round
 */
export function huntShort(branches: readonly Branch[], readings: readonly CutReading[]): Hunt {
  const all = branches.map(({ id }) => id)
  const title = (id: string) => branches.find((each) => each.id === id)?.title ?? id
  const names = (list: readonly string[]) => list.map(title).join(', ')
  const told: Hunt['told'][number][] = []
  const found: Found[] = []
  const sound = new Set<string>()
  let suspects: readonly string[][] = []
  /** Parts of the branch in hand: sound up to, bad by. */
  let within: { readonly branch: string; readonly good: number; readonly bad: number } | undefined
  let state = 'measure' as HuntState
  const whole = (cut: Cut) => cut.parts === undefined && cut.connected.length === all.length
  const take = (branch: string) => {
    const parts = branches.find(({ id }) => id === branch)?.parts ?? []
    if (parts.length > 1) within = { branch, good: 0, bad: parts.length }
    else close({ branch, ...(parts[0] ? { part: parts[0].id } : {}) })
  }
  const close = (at: Found) => {
    found.push(at)
    within = undefined
    suspects = []
    state = 'mend'
  }
  for (const reading of readings) {
    const explained = explainedAt(branches, reading)
    const shorted = isShorted(reading.ohm, explained)
    told.push({
      cut: reading,
      shorted,
      says: `${ohmWords(reading.ohm)}: ${
        shorted
          ? 'the fault is in here'
          : explained !== undefined && reading.ohm !== null && reading.ohm < SOUND_OHM
            ? `the loads themselves (${ohmWords(explained)})`
            : 'sound'
      }.`,
    })
    if (whole(reading)) {
      within = undefined
      state = shorted ? 'measure' : 'clean'
      // What was sound stays so; what was mended is looked at again.
      const last = found.at(-1)?.branch
      if (last !== undefined) sound.delete(last)
      const left = all.filter((id) => !sound.has(id))
      suspects = shorted ? [left.length > 0 ? left : [...all]] : []
      if (shorted && suspects[0]?.length === 1) take(suspects[0][0]!)
      continue
    }
    if (within && reading.parts !== undefined && reading.connected[0] === within.branch) {
      within = shorted ? { ...within, bad: reading.parts } : { ...within, good: reading.parts }
      if (within.bad - within.good === 1) {
        const part = branches.find(({ id }) => id === within!.branch)?.parts[within.bad - 1]
        close({ branch: within.branch, ...(part ? { part: part.id } : {}) })
      }
      continue
    }
    const at = suspects.findIndex((set) => reading.connected.every((id) => set.includes(id)))
    if (at < 0) continue
    const set = suspects[at]!
    const rest = set.filter((id) => !reading.connected.includes(id))
    if (shorted) {
      // The other half may be bad too; the whole is measured again after the find, and tells.
      suspects = [[...reading.connected]]
    } else {
      for (const id of reading.connected) sound.add(id)
      suspects = rest.length > 0 ? [rest] : []
    }
    const [next] = suspects
    if (next?.length === 1) take(next[0]!)
  }
  const base = { found, sound: [...sound], told }
  if (state === 'clean')
    return {
      ...base,
      state,
      doing: 'The whole circuit is sound.',
      should: 'Every neutral back, then the dead tests go on.',
    }
  if (state === 'mend') {
    const last = found.at(-1)!
    const part = branches.find(({ id }) => id === last.branch)?.parts.find(({ id }) => id === last.part)
    return {
      ...base,
      state,
      cut: { connected: all },
      doing: `Found: ${part ? `${part.title}, in ` : ''}${title(last.branch)}. Mend or renew it. Then everything on again, neutrals still lifted, and measure the whole.`,
      should: wholeShould(branches, all),
    }
  }
  if (readings.length === 0 || suspects.length === 0)
    return {
      ...base,
      state,
      cut: { connected: all },
      doing: `Power off, proved dead. Contacts closed by hand, electronics lifted, the neutral of every branch lifted at the bar.${liftWords(branches)} Measure the whole first.`,
      should: wholeShould(branches, all),
    }
  if (within) {
    const { branch, good, bad } = within
    const parts = branches.find(({ id }) => id === branch)?.parts ?? []
    const take_ = Math.floor((good + bad) / 2)
    return {
      ...base,
      state,
      cut: { connected: [branch], parts: take_ },
      doing: `${title(branch)} alone. Open it ${parts[take_ - 1]?.cut ?? 'in the middle'}, so that only ${parts
        .slice(0, take_)
        .map((each) => each.title)
        .join(', ')} is left, and measure from its head.`,
      should: 'Over 1 Mohm if these are sound.',
    }
  }
  const on = half(suspects[0]!)
  const off = all.filter((id) => !on.includes(id))
  return {
    ...base,
    state,
    cut: { connected: on },
    doing: `Leave ${names(on)} connected; lift ${names(off)}, their neutrals too. Measure.`,
    should: wholeShould(branches, on),
  }
}

/** What would pass for a fault by its own ohms. */
function liftWords(branches: readonly Branch[]): string {
  const lifts = branches.flatMap(({ lifts: each }) => each ?? [])
  return lifts.length === 0
    ? ''
    : ` Lifted at their own terminals, for their windings read some ohms and are no fault: ${lifts.join(', ')}.`
}

function wholeShould(branches: readonly Branch[], connected: readonly string[]): string {
  const explained = explainedOhm(branches, connected)
  return explained === undefined
    ? 'Over 1 Mohm if these are sound.'
    : `About ${ohmWords(explained)} if these are sound: their loads.`
}

/** A conductor of the loop on which a short can be looked for. */
export interface HuntGround {
  readonly id: string
  readonly title: string
  readonly branches: readonly Branch[]
}

const pairs = [
  { id: 'L-PE', against: 'earth', withLoads: false },
  { id: 'L-N', against: 'its neutrals', withLoads: true },
] as const

/**
 * Branches behind each supply, from the list: one for each load and each device that hangs on it, with its wires, contacts and the load
 * itself as parts. Line against earth, where loads explain nothing, and line against neutral, where they do.
 */
export function huntGrounds({ chain, rows }: Pick<LoopContext, 'chain' | 'rows'>): readonly HuntGround[] {
  const partsOf = (key: string, way: readonly ResolvedConnection[]): readonly BranchPart[] =>
    way.flatMap(({ fromDevice, toDevice, to }): BranchPart[] => {
      const row = rows.find(
        ({ role, serves, from, to: into }) =>
          role !== 'neutral' && serves.includes(key) && from.device === fromDevice.id && into.device === toDevice.id,
      )
      const name = `${toDevice.tag} ${toDevice.name}`
      return [
        ...(row ? [{ id: row.id, title: `wire ${row.number}`, cut: `at ${row.to.tag} ${row.to.label}` }] : []),
        { id: `${toDevice.id}.${to.port}`, title: name, cut: `behind ${toDevice.tag}` },
      ]
    })
  return chain.devices.flatMap((supply): HuntGround[] => {
    const loads = powerPaths(chain).flatMap(({ load, portId, loadPort }) => {
      const { connections, heads } = feedersOf(chain, load.id, portId)
      if (!heads.some((head) => head.kind === 'supply' && head.device.id === supply.id)) return []
      return [
        { device: load, portId, way: connections, ohm: loadPort.load.phases === 3 ? undefined : loadOhm(loadPort) },
      ]
    })
    const devices = chain.connections
      .filter(({ fromDevice, fromPort, toPort }) => {
        return fromDevice.id === supply.id && fromPort.kind === 'supply-out' && toPort.kind === 'supply-in'
      })
      .map((way) => ({ device: way.toDevice, portId: way.to.port, way: [way], ohm: undefined }))
    const all = [...loads, ...devices]
    if (all.length === 0) return []
    return pairs.map(({ id, against, withLoads }) => ({
      id: `${supply.id}:${id}`,
      title: `${supply.tag}, line against ${against}`,
      branches: all.map(({ device, portId, way, ohm }): Branch => {
        const parts = partsOf(`${device.id}.${portId}`, way)
        // Between line and neutral only a plain resistance can be reckoned with; everything else is lifted, and is no part of the search.
        const lifted = withLoads && ohm === undefined
        return {
          id: `${device.id}.${portId}`,
          sign: signOf([`${device.id}.${portId}`]),
          title: `${device.tag} ${device.name}`,
          parts: lifted && parts.length > 1 ? parts.slice(0, -1) : parts,
          ...(withLoads && ohm !== undefined ? { loadOhm: ohm } : {}),
          ...(lifted ? { lifts: `${device.tag} ${device.name}` } : {}),
        }
      }),
    }))
  })
}

/** Id of the test under which the readings of a hunt are kept. */
export const huntTest = (ground: string) => `hunt/${ground}`

/** Readings of a hunt in the order in which they were taken, each with the cut that its step names. */
export function huntReadings(loop: LoopDocument, ground: HuntGround): readonly CutReading[] {
  return ordered(loop.proof.readings).flatMap((reading): CutReading[] => {
    if (reading.test !== huntTest(ground.id)) return []
    const [set = '', parts] = reading.step.split('#')
    const signs = set.split('+')
    const connected = ground.branches.filter(({ id, sign }) => signs.includes(sign ?? id)).map(({ id }) => id)
    const ohm = reading.state === 'over-range' ? null : reading.state === 'value' ? reading.value : undefined
    if (ohm === undefined || connected.length < signs.length) return []
    return [{ connected, ...(parts === undefined ? {} : { parts: Number(parts) }), ohm }]
  })
}
