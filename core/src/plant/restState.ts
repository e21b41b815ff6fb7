import { Refused } from '../units/refused'
import { solveLinear } from '../numeric/solveLinear'
import type { PlantModel } from './thermalNetwork'

interface RestState {
  readonly nodesC: Readonly<Record<string, number>>
  /** Heat that has to go in at `heated` to hold it there, W; under 0 it has to be taken out. */
  readonly powerW: number
}

/**
 * Where every store of a plant rests while the controlled one is held at a temperature: the heat that this takes is an unknown like the others.
 * Formula: for each node the sum of G (T_other − T) and gains is 0, with Q at `heated` and the controlled one given. Curved flows count by
 * their chord at the nominal excess; gains by their mean. Switched links stand open.
 * @throws RangeError when something hangs on nothing
 */
export function restState(
  model: PlantModel,
  controlledC: number,
  boundariesC: Readonly<Record<string, number>>,
): RestState {
  const solved = model.nodes.filter(({ id }) => model.starts?.[id] === undefined)
  const n = solved.length
  const at = new Map(solved.map(({ id }, i) => [id, i]))
  const a = new Float64Array((n + 1) ** 2)
  const b = new Float64Array(n + 1)
  const size = n + 1
  const join = (from: string, to: string, wPerK: number) => {
    for (const [here, there] of [
      [from, to],
      [to, from],
    ] as const) {
      const row = at.get(here)
      if (row === undefined) continue
      a[row * size + row]! -= wPerK
      const column = at.get(there)
      if (column !== undefined) a[row * size + column]! += wPerK
      else {
        const fixed = boundariesC[there] ?? model.starts?.[there]
        if (fixed === undefined) throw new Refused('boundary', { must: 'other', says: `${there} has no temperature` })
        b[row]! -= wPerK * fixed
      }
    }
  }
  for (const { from, to, wPerK, while: actuator, by } of model.links)
    if (actuator === undefined && by === undefined) join(from, to, wPerK)
  for (const flow of model.flows ?? [])
    if (flow.kind === 'emitter') join(flow.from, flow.to, flow.nominalW / flow.nominalK)
    else if (flow.kind === 'frost') join(flow.coil, flow.air, flow.wPerK)
  for (const gain of model.gains ?? []) {
    const row = at.get(gain.node)
    if (row !== undefined)
      b[row]! -=
        'constantW' in gain ? gain.constantW : gain.hourlyW.reduce((sum, w) => sum + w, 0) / gain.hourlyW.length
  }
  a[at.get(model.heated)! * size + n] = 1
  a[n * size + at.get(model.controlled)!] = 1
  b[n] = controlledC
  const x = solveLinear(a, b)
  return {
    nodesC: { ...Object.fromEntries(solved.map(({ id }, i) => [id, x[i]!])), ...model.starts },
    powerW: x[n]!,
  }
}
