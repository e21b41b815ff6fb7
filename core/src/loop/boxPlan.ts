import type { LoopContext } from './context'
import type { ResolvedDevice } from '../document/chain'
import type { BoxPlan } from '../document/documents'
import { enclosureAreaM2, enclosureHeat, type Mounting } from '../plant/enclosure'
import { type FieldData, fieldValue } from '../plant/fieldValue'
import { contactLoad } from '../wiring/contactLoad'
import { powerPaths } from '../wiring/powerPath'

/** One device in the box, with the heat it leaves there and how that was found. */
interface BoxedDevice {
  readonly device: ResolvedDevice
  readonly heatW: number
  readonly why: string
}

export interface BoxState {
  readonly inside: readonly BoxedDevice[]
  /** Devices of the box whose leaflet tells no size. */
  readonly unsized: readonly ResolvedDevice[]
  readonly heatW: number
  /** Smallest box by what goes in, a quarter kept free, in steps of 50 mm. */
  readonly needed: { readonly heightM: number; readonly widthM: number; readonly depthM: number }
  /** What is reckoned with: as written down, else what is needed. */
  readonly box: Required<BoxPlan>
  readonly areaM2: number
  readonly wPerM2K: { readonly value: number; readonly source: string }
  readonly riseK: number
  readonly insideC: number
  /** Highest that every device in it stands, and which one says so. */
  readonly mostC: number
  readonly mostBy: string
  readonly verdict: 'fits' | 'look-again' | 'does-not-fit'
  readonly says: string
  readonly tooSmall: readonly string[]
}

/** Drop over a solid-state contact, V. Source: leaflets, 1.0 to 1.4. */
const SOLID_STATE_V = 1.2
/** Less current warms nothing, A. */
const LEAST_A = 0.05
/** Where no device tells its own. Source: IEC 60439, 40 \u00b0C around devices. */
const USUAL_MOST_C = 40
const SPARE = 1.25
const STEP_M = 0.05
const LEAST_DEPTH_M = 0.1
const UP = (m: number) => Math.max(0.2, Math.ceil(m / STEP_M - 1e-9) * STEP_M)

const inBox = ({ facts }: ResolvedDevice) =>
  facts.body !== undefined &&
  (facts.body.mount === 'rail' || facts.body.mount === 'panel' || facts.body.mount === 'box')

/** Heat that a device leaves in the box, W. */
function heatOf(
  { chain, data }: LoopContext,
  device: ResolvedDevice,
): { readonly heatW: number; readonly why: string } {
  const ports = Object.entries(device.facts.ports)
  const lines = powerPaths(chain)
  const solid = ports.flatMap(([id, port]) =>
    port.kind === 'contact' && port.solidState
      ? lines
          .filter(({ contacts }) => contacts.some((c) => c.device.id === device.id && c.portId === id))
          .map(({ loadPort }) => contactLoad([], loadPort.load).loadA)
      : [],
  )
  const amps = solid.reduce((a, b) => a + b, 0)
  const out = ports.map(([, port]) => port).find((port) => port.kind === 'supply-out')
  if (out?.kind === 'supply-out' && out.movedBy !== undefined) {
    const motor = lines.find(({ supply }) => supply?.device.id === device.id)?.loadPort.load.powerW ?? 0
    const share = fieldValue(data, 'encl.loss.drive')
    return { heatW: (share.typical / 100) * motor, why: `${share.typical} % of its motor (${share.source})` }
  }
  if (out?.kind === 'supply-out' && out.ratedVa !== undefined) {
    const share = fieldValue(data, 'encl.loss.psu')
    return {
      heatW: (share.typical / 100) * out.ratedVa,
      why: `${share.typical} % of what it can give (${share.source})`,
    }
  }
  const own = ports.flatMap(([, port]) =>
    port.kind === 'supply-in'
      ? [port.drawsVa]
      : port.kind === 'load' && port.load.kind === 'coil'
        ? [port.load.powerW]
        : [],
  )
  const drawn = own.reduce((a, b) => a + b, 0)
  const parts = [
    ...(drawn > 0 ? ['what it draws itself'] : []),
    ...(amps > LEAST_A ? [`${SOLID_STATE_V} V over its contact at ${amps.toFixed(1)} A`] : []),
  ]
  return { heatW: drawn + amps * SOLID_STATE_V, why: parts.join(' and ') || 'next to nothing' }
}

const build: Readonly<Record<NonNullable<BoxPlan['build']>, string>> = {
  steel: 'encl.k.steel',
  stainless: 'encl.k.stainless',
  plastic: 'encl.k.plastic',
}

export const boxBuilds = Object.keys(build) as NonNullable<BoxPlan['build']>[]

/** Largest outline of what goes in: rails under one another, panel devices beside one another. */
function neededOf(devices: readonly ResolvedDevice[]) {
  const bodies = devices.map(({ facts }) => facts.body!)
  const rail = bodies.filter(({ mount }) => mount !== 'panel')
  const panel = bodies.filter(({ mount }) => mount === 'panel')
  const sum = (list: typeof bodies) => list.reduce((mm, { widthMm }) => mm + widthMm + 5, 0)
  const most = (list: typeof bodies, side: 'heightMm' | 'depthMm') => Math.max(0, ...list.map((body) => body[side]))
  return {
    widthM: UP((SPARE * Math.max(sum(rail), sum(panel)) + 60) / 1000),
    heightM: UP((SPARE * (most(rail, 'heightMm') + most(panel, 'heightMm')) + 120) / 1000),
    depthM: Math.max(
      LEAST_DEPTH_M,
      Math.ceil((Math.max(most(rail, 'depthMm'), most(panel, 'depthMm')) + 60) / 1000 / STEP_M) * STEP_M,
    ),
  }
}

/**
 * Size of the box and how warm it gets inside: heat of all that stands in it, over k A of its walls.
 * Source: IEC TR 60890 area, field data encl.k.*, encl.loss.*.
 */
export function boxPlan(context: LoopContext): BoxState | undefined {
  const { chain, loop, words, data } = context
  const devices = chain.devices.filter(inBox)
  const unsized = chain.devices.filter(
    ({ facts }) =>
      facts.body === undefined &&
      (facts.category === 'relay' || (facts.category === 'supply' && facts.ports['in'] !== undefined)),
  )
  if (devices.length === 0) return undefined
  const needed = neededOf(devices)
  const inside = devices.map((device) => ({ device, ...heatOf(context, device) }))
  const heatW = inside.reduce((sum, each) => sum + each.heatW, 0)
  const given = loop.wiring.box ?? {}
  const box: Required<BoxPlan> = { mounting: 'single-wall', build: 'steel', outsideC: 25, ...needed, ...given }
  const k = kOf(data, box.build)
  const areaM2 = enclosureAreaM2(box.heightM, box.widthM, box.depthM, box.mounting as Mounting)
  const { riseK } = enclosureHeat({
    dissipationW: heatW,
    areaM2,
    heatTransferWPerM2K: k.value,
    insideMaxC: USUAL_MOST_C,
    outsideC: box.outsideC,
  })
  const insideC = box.outsideC + riseK
  const limits = devices.flatMap(({ tag, facts }) =>
    facts.body?.highC === undefined ? [] : [{ tag, highC: facts.body.highC }],
  )
  const least = limits.sort((a, b) => a.highC - b.highC)[0]
  const mostC = least?.highC ?? USUAL_MOST_C
  const verdict = insideC > mostC ? 'does-not-fit' : insideC > mostC - 5 ? 'look-again' : 'fits'
  const say = (c: number) => words.say(c, 'temperature', 0)
  const side = (name: string, has: number, wants: number) =>
    has < wants - 1e-9
      ? [`${name} ${words.say(has, 'thickness', 0)}, ${words.say(wants, 'thickness', 0)} is needed`]
      : []
  return {
    inside,
    unsized,
    heatW,
    needed,
    box,
    areaM2,
    wPerM2K: k,
    riseK,
    insideC,
    mostC,
    mostBy: least?.tag ?? 'what is usual',
    verdict,
    says:
      verdict === 'fits'
        ? `${say(insideC)} inside, ${say(mostC)} is allowed by ${least?.tag ?? 'what is usual'}.`
        : `${say(insideC)} inside, ${say(mostC)} is allowed by ${least?.tag ?? 'what is usual'}: a larger box, fewer watts in it, or a cooler.`,
    tooSmall: [
      ...side('Height', box.heightM, needed.heightM),
      ...side('Width', box.widthM, needed.widthM),
      ...side('Depth', box.depthM, needed.depthM),
    ],
  }
}

const kOf = (data: FieldData, of: NonNullable<BoxPlan['build']>) => {
  const { typical, source } = fieldValue(data, build[of])
  return { value: typical, source }
}
