import { diagnoseStages, stagesEnergised } from '../../settings/stages/law/stages'
import type { LoopContext } from '../../loop/context'
import type { OnOffBehaviour, PlanOf } from '../../settings/behaviour'
import { controllerPlanOf } from '../../survey/controllerPlanOf'
import { spell } from '../../time/spell'
import { counted } from '../../words/words'
import { outputPath } from '../../wiring/outputPath'
import type { Found, Judged, SetAsk, StepSpec, TestSpec } from '../proofTest'
import {
  cause,
  deviceOf,
  loadName,
  lookAmong,
  nameOf,
  outputName,
  parameterName,
  spec,
  standIn,
  substitute,
  toKeying,
  toWires,
} from './parts'

interface Rung {
  readonly id: string
  readonly temperatureC: number
  readonly way: 'rising' | 'falling'
  readonly wants: readonly string[]
}

/** Temperatures between the switching points in each direction, so that every stage is asked for once by itself. */
function rungs(stages: readonly PlanOf<OnOffBehaviour>[]): Rung[] {
  const { action } = stages[0]!
  const points = {
    rising: action === 'cooling' ? 'onC' : 'offC',
    falling: action === 'cooling' ? 'offC' : 'onC',
  } as const
  return (['rising', 'falling'] as const).flatMap((way) => {
    const at = [...new Set(stages.map((stage) => stage[points[way]]))].sort((a, b) => a - b)
    const edge = Math.max(0.5, ...stages.map(({ swingK }) => swingK / 2))
    const temperatures = [at[0]! - edge, ...at.slice(1).map((high, i) => (at[i]! + high) / 2), at.at(-1)! + edge]
    const order = way === 'rising' ? temperatures : [...temperatures].reverse()
    return order.map((temperatureC, i) => ({
      id: `${way === 'rising' ? 'rise' : 'fall'}-${i + 1}`,
      temperatureC,
      way,
      wants: stagesEnergised(stages, action, temperatureC, way).map(String),
    }))
  })
}

/**
 * Stage sequence: which stages are on at each temperature, rising and falling, lamps beside loads. Expected: the plan's switching
 * points (`stagesEnergised`). A gap names the stage; whether its lamp is on tells setting from relay and wire.
 */
export function stagesTest(context: LoopContext, stages: readonly PlanOf<OnOffBehaviour>[]): TestSpec {
  const { words } = context
  const first = stages[0]!
  const device = deviceOf(context, first.output.device)!
  const members = Object.fromEntries(
    stages.map((stage, i) => [String(i + 1), `${i + 1} ${outputPath(context.chain, stage).load?.tag ?? ''}`.trim()]),
  )
  const lamps = Object.fromEntries(stages.map((_, i) => [String(i + 1), String(i + 1)]))
  const waitS = controllerPlanOf(context, device).stages?.waitS ?? 0
  const offTimes = Math.max(...stages.map(({ minimumOffS }) => minimumOffS))
  const box = standIn(context, first.input)
  const rotates = controllerPlanOf(context, device).stages?.lead === 'rotate'
  const all = rungs(stages)
  const step = ({ id, temperatureC, way, wants }: Rung): StepSpec => {
    const dial = substitute(context, first.input, temperatureC)
    const ask = (label: string, names: Readonly<Record<string, string>>): SetAsk => ({
      kind: 'set',
      label,
      members: names,
      wants,
    })
    return {
      id,
      title: `${words.say(temperatureC, 'temperature')}, ${way}`,
      does: `Bring the ${box} ${way === 'rising' ? 'up' : 'down'} to ${words.say(temperatureC, 'temperature')}${dial ? ` (${dial})` : ''}. Wait ${spell(Math.max(waitS * stages.length, 5))}${offTimes > 0 && way === 'falling' ? '' : offTimes > 0 ? `, and out any minimum off time of ${spell(offTimes)}` : ''}. Which loads run?`,
      main: ask('Loads that run', members),
      asides: { lamps: ask('Lamps on the display', lamps) },
      ...(dial ? { dial } : {}),
      at: { input: first.input, temperatureC, way },
    }
  }
  return spec(context, {
    id: `stages/${first.output.device}`,
    kind: 'stages',
    title: 'Stage sequence',
    about: nameOf(device),
    purpose: `${counted(stages.length, 'stage')}, each at its own temperature: on in order, off in order.`,
    have: [box, 'clamp meter or an ear at each load'],
    how: `Lift the probe, put the ${box} in its place; rising all the way, then falling. ${rotates ? 'The lead rotates: number the stages in the order in which they start.' : ''}`,
    rule: 'Sound patterns are 1, then 1 and 2, then 1, 2 and 3. A gap names the stage.',
    safety: [
      'Compressors: minimum off time between starts kept; crankcase heater on for its hours before the first start.',
    ],
    steps: all.map(step),
    judge: (found, wrong) => judge(context, stages, all, found, wrong),
  })
}

function judge(
  context: LoopContext,
  stages: readonly PlanOf<OnOffBehaviour>[],
  all: readonly Rung[],
  found: Found,
  wrong: readonly string[],
): Judged | undefined {
  if (wrong.length === 0) return undefined
  const read = all.flatMap((rung) => {
    const on = found.on(rung.id)
    return on === undefined ? [] : [{ ...rung, on, lamps: found.on(`${rung.id}/lamps`) }]
  })
  const names = stages.map((_, i) => String(i + 1))
  const wanted = (n: string) => read.filter(({ wants }) => wants.includes(n))
  const unwanted = (n: string) => read.filter(({ wants }) => !wants.includes(n))
  const dead = names.filter((n) => wanted(n).length > 0 && wanted(n).every(({ on }) => !on.includes(n)))
  const stuck = names.filter(
    (n) =>
      wanted(n).length > 0 &&
      unwanted(n).length > 0 &&
      [...wanted(n), ...unwanted(n)].every(({ on }) => on.includes(n)),
  )
  // Two stages that answer for each other are crossed: each runs where the other should.
  for (const [i, a] of names.entries())
    for (const b of names.slice(i + 1)) {
      const swap = (n: string) => (n === a ? b : n === b ? a : n)
      const differs = read.filter(({ wants }) => wants.includes(a) !== wants.includes(b))
      if (
        differs.length > 0 &&
        read.every(({ on, wants }) => on.length === wants.length && wants.every((n) => on.includes(swap(n))))
      )
        return lookAmong('stages.stages-crossed', { a, b }, [cause('stages.stages-crossed', { a, b }, toWires)])
    }
  const [n] = dead
  if (n !== undefined) {
    const stage = stages[Number(n) - 1]!
    const lit = wanted(n).filter(({ lamps }) => lamps !== undefined)
    const lamp = lit.length > 0 ? lit.every(({ lamps }) => lamps!.includes(n)) : undefined
    const { missing } = diagnoseStages(
      stages.length,
      read.flatMap(({ on }) => (on.length > 0 ? [on.map(Number)] : [])).sort((p, q) => q.length - p.length)[0] ?? [],
    )
    const output = outputName(context, stage)
    const setting = cause(
      'stages.stage-not-keyed',
      {
        n,
        setpointParameter: parameterName(context, stage, 'setpoint'),
        swingParameter: parameterName(context, stage, 'swing'),
        setpointC: stage.setpointC,
      },
      toKeying,
    )
    const relay = cause('stages.stage-relay', { output }, toWires)
    const wire = cause('stages.stage-wire', { output, loadName: loadName(context, stage) }, toWires)
    return lookAmong(
      'stages.stage-wire',
      { n, missingCount: missing.length, lamp },
      lamp === true ? [wire, relay] : lamp === false ? [setting] : [setting, relay, wire],
    )
  }
  const [s] = stuck
  if (s !== undefined) {
    const stage = stages[Number(s) - 1]!
    return lookAmong('stages.stage-welded', { s }, [
      cause('stages.stage-welded', { outputName: outputName(context, stage) }, toWires),
      cause('stages.stage-forced', {}, toKeying),
    ])
  }
  // Late or early: it runs, at another temperature than planned.
  for (const name of names) {
    const off = read.filter(({ on, wants }) => on.includes(name) !== wants.includes(name))
    if (off.length === 0) continue
    if (!found.complete && off.length < 2 && read.length < all.length / 2) return undefined
    const stage = stages[Number(name) - 1]!
    const starting = stage.action === 'cooling' ? 'rising' : 'falling'
    const both = off.some(({ way }) => way === starting) && off.some(({ way }) => way !== starting)
    const onlyStop = off.every(({ way }) => way !== starting)
    return lookAmong(
      'stages.stage-set',
      { name, temperatureC: off[0]!.temperatureC, way: off[0]!.way, on: off[0]!.on.includes(name) },
      both
        ? [
            cause(
              'stages.stage-set',
              { name, setpointC: stage.setpointC, setpointParameter: parameterName(context, stage, 'setpoint') },
              toKeying,
            ),
            cause('stages.stage-swing', { swingParameter: parameterName(context, stage, 'swing') }, toKeying),
          ]
        : [
            cause(
              'stages.stage-swing-otherwise',
              { name, swingK: stage.swingK, onlyStop, swingParameter: parameterName(context, stage, 'swing') },
              toKeying,
            ),
            cause('stages.stage-waits', {}),
          ],
    )
  }
  return lookAmong('stages.lamps', {}, [cause('stages.lamps', {}, toWires)])
}
