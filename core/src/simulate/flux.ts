import { saturationPa as exactSaturationPa } from '../plant/moistAir'
import { cleanCoil, type Place, MELT_W_PER_K, type Program } from './program'

/** Heat of a kilogram of frost, gathered or molten, J. Source: 334 kJ/kg to melt; 2.83 MJ/kg to gather. */
const MELTS_J_PER_KG = 334_000
const GATHERS_J_PER_KG = 2_830_000
const AIR_J_PER_KG_K = 1006
const PRESSURE_PA = 101_325
/** g/kg of moist air from its vapour pressure, and back. */
const RATIO = 0.621945

/** Saturation pressure at every twentieth of a kelvin: straight in between it is right to two parts in a million. */
const TABLE = { lowC: -60, highC: 120, perK: 20 } as const
let table: Float64Array | undefined

function saturationPa(celsius: number): number {
  if (!(celsius > TABLE.lowC && celsius < TABLE.highC)) return exactSaturationPa(Math.max(-99, Math.min(199, celsius)))
  table ??= Float64Array.from({ length: (TABLE.highC - TABLE.lowC) * TABLE.perK + 1 }, (_, i) =>
    exactSaturationPa(TABLE.lowC + i / TABLE.perK),
  )
  const at = (celsius - TABLE.lowC) * TABLE.perK
  const i = Math.floor(at)
  const from = table[i]!
  return from + (table[i + 1]! - from) * (at - i)
}

const humidityRatio = (vapourPa: number) => (RATIO * vapourPa) / (PRESSURE_PA - vapourPa)

/** Relative humidity, %, of air with so much moisture in grams a kilogram. */
function relativeHumidity(airC: number, moistureGPerKg: number): number {
  const w = moistureGPerKg / 1000
  const vapourPa = (PRESSURE_PA * w) / (RATIO + w)
  return Math.min(100, Math.max(0, (100 * vapourPa) / saturationPa(airC)))
}

/** What the flows see: state, inputs, positions and who runs. */
interface FluxView {
  readonly x: Float64Array
  readonly u: Float64Array
  readonly on: number
  readonly position: Float64Array
}

/**
 * Sets up the flows that are not straight: heat by scaled links, emitters, evaporation, frost and the readings of humidity.
 * The function it gives writes rates (K/s, kg/s, %/s) into `rate` and watts into `heatW` by actuator.
 */
export function fluxOf(program: Program) {
  const { scenario, capacities, place, actuator, probeAt, frostAt } = program
  const { links, flows = [] } = scenario.network
  const scaled = links.flatMap((link) =>
    link.by === undefined
      ? []
      : [{ from: place(link.from), to: place(link.to), wPerK: link.wPerK, by: actuator(link.by) }],
  )
  const humid = scenario.probes.flatMap(({ moisture, node, lagS }, i) =>
    moisture === undefined ? [] : [{ at: probeAt(i), air: place(node), moisture: place(moisture), lagS }],
  )
  const bit = (name: string | undefined) => (name === undefined ? 0 : 1 << actuator(name))
  const curved = flows.map((flow, index) => {
    if (flow.kind === 'emitter')
      return {
        ...flow,
        from: place(flow.from),
        to: place(flow.to),
        k: flow.nominalW / flow.nominalK ** flow.exponent,
        mask: bit(flow.while),
        scale: flow.by === undefined ? -1 : actuator(flow.by),
      }
    if (flow.kind === 'evaporation') return { ...flow, water: place(flow.water), air: place(flow.air) }
    return { ...flow, coil: place(flow.coil), air: place(flow.air), mask: bit(flow.fan), at: frostAt(index) }
  })
  const hasPower = scenario.actuators.map(({ powerW }) => powerW !== undefined)
  const valueOf = (view: Pick<FluxView, 'x' | 'u'>, at: Place) =>
    'node' in at ? view.x[at.node]! : view.u[at.channel]!
  const move = (rate: Float64Array, from: Place, to: Place, watts: number) => {
    if ('node' in from) rate[from.node]! -= watts / capacities[from.node]!
    if ('node' in to) rate[to.node]! += watts / capacities[to.node]!
  }
  const active = scaled.length + humid.length + curved.length > 0

  function flux(view: FluxView, rate: Float64Array, heatW: Float64Array, stepS: number): void {
    rate.fill(0)
    heatW.fill(0)
    for (const { from, to, wPerK, by } of scaled) {
      const watts = wPerK * view.position[by]! * (valueOf(view, from) - valueOf(view, to))
      move(rate, from, to, watts)
      if (!hasPower[by]) heatW[by]! += watts
    }
    for (const flow of curved) {
      if (flow.kind === 'emitter') {
        if (flow.mask !== 0 && !(view.on & flow.mask)) continue
        const difference = valueOf(view, flow.from) - valueOf(view, flow.to)
        const watts =
          flow.k *
          Math.sign(difference) *
          Math.abs(difference) ** flow.exponent *
          (flow.scale < 0 ? 1 : view.position[flow.scale]!)
        move(rate, flow.from, flow.to, watts)
        if (flow.scale >= 0 && !hasPower[flow.scale]) heatW[flow.scale]! += watts
      } else if (flow.kind === 'evaporation') {
        const drying =
          saturationPa(valueOf(view, flow.water)) - (flow.humidityPercent / 100) * saturationPa(valueOf(view, flow.air))
        if (drying > 0 && 'node' in flow.water)
          rate[flow.water.node]! -= (flow.wPerPa * drying) / capacities[flow.water.node]!
      } else {
        const frostKg = view.x[flow.at]!
        const [coilC, airC] = [valueOf(view, flow.coil), valueOf(view, flow.air)]
        const moved = flow.mask === 0 || (view.on & flow.mask) !== 0
        const clean = cleanCoil(flow, moved)
        const wPerK = clean / (1 + frostKg / flow.halfKg)
        // The clean coil is in the plant itself: here is what the frost takes away from it.
        move(rate, flow.air, flow.coil, (wPerK - clean) * (airC - coilC))
        if (coilC < 0) {
          const wet = (flow.humidityPercent / 100) * saturationPa(airC)
          const gathered = Math.max(
            0,
            (wPerK / AIR_J_PER_KG_K) * (humidityRatio(wet) - humidityRatio(saturationPa(coilC))),
          )
          rate[flow.at]! += gathered
          if ('node' in flow.coil) rate[flow.coil.node]! += (gathered * GATHERS_J_PER_KG) / capacities[flow.coil.node]!
        } else if (frostKg > 0 && 'node' in flow.coil) {
          // What is left melts at most within the step.
          const watts = Math.min(MELT_W_PER_K * coilC, (frostKg * MELTS_J_PER_KG) / stepS)
          rate[flow.at]! -= watts / MELTS_J_PER_KG
          rate[flow.coil.node]! -= watts / capacities[flow.coil.node]!
        }
      }
    }
    for (const { at, air, moisture, lagS } of humid) {
      const now = relativeHumidity(valueOf(view, air), valueOf(view, moisture))
      rate[at] = (now - view.x[at]!) / lagS
    }
  }
  /** First readings of humidity, before anything has moved. */
  function begin(view: Pick<FluxView, 'x' | 'u'>): void {
    for (const { at, air, moisture } of humid)
      view.x[at] = relativeHumidity(valueOf(view, air), valueOf(view, moisture))
  }
  return { active, flux, begin }
}
