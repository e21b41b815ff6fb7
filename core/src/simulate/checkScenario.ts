import { isContinuous } from './program'
import { type Scenario } from './scenario'
import { SAMPLE_S } from './controls/samples'
import { checkPart, each, parts, isTree, numbers, oneOf, type Tree, isNumber, said } from './check/checkPart'
import { flowKeys, checkBoundary } from './check/checkNetwork'
import { checkControl, checkExpression } from './check/checkControl'
import { checkInput } from './check/checkInput'
import { checkFault } from './check/checkFault'
import { HOUR_S, checkTimes, checkJoined } from './check/checkSizes'

/**
 * Holds open data against what can be run, so that nothing asked for is silently left out.
 * @throws RangeError naming the place, the value and what is allowed
 */
export function checkScenario(value: unknown): asserts value is Scenario {
  const scenario = checkPart(
    'scenario',
    {
      start: 'text?',
      zone: 'text?',
      durationS: 'number',
      traceS: 'number',
      stepS: 'over0?',
      network: 'tree',
      probes: 'list',
      actuators: 'list',
      controls: 'list',
      inputs: 'tree?',
      permissives: 'list?',
      lines: 'list?',
      alarms: 'list?',
      faults: 'list?',
    },
    value,
  )
  const network = checkPart(
    'network',
    { nodes: 'list', links: 'list', boundaries: 'tree', gains: 'list?', flows: 'list?' },
    scenario['network'],
  )
  each('network.nodes', network['nodes'], (where, node) => {
    const { id, capacityJPerK } = checkPart(where, { id: 'text', capacityJPerK: 'number', startC: 'number' }, node)
    if (!((capacityJPerK as number) > 0))
      throw new RangeError(`${where}.capacityJPerK ${String(capacityJPerK)} of node ${String(id)} must be over 0`)
  })
  if ((network['nodes'] as unknown[]).length === 0) throw new RangeError('network.nodes are empty: one at least')
  if ((network['nodes'] as unknown[]).length > 24) throw new RangeError('network.nodes are over 24')
  each(
    'network.links',
    network['links'],
    parts({ from: 'text', to: 'text', wPerK: 'from0', while: 'text?', by: 'text?' }),
  )
  each('network.gains', network['gains'] ?? [], (where, gain) => {
    if (isTree(gain) && 'hourlyW' in gain) {
      checkPart(where, { node: 'text', hourlyW: 'list' }, gain)
      numbers(`${where}.hourlyW`, gain['hourlyW'])
    } else checkPart(where, { node: 'text', constantW: 'number' }, gain)
  })
  each('network.flows', network['flows'] ?? [], (where, flow) => {
    if (!isTree(flow)) throw new RangeError(`${where} must be an object`)
    oneOf(`${where}.kind`, flow['kind'], Object.keys(flowKeys))
    checkPart(where, { kind: 'text', ...flowKeys[flow['kind'] as string] }, flow)
  })
  for (const [id, boundary] of Object.entries(network['boundaries'] as Tree))
    checkBoundary(`network.boundaries.${id}`, boundary)
  each('probes', scenario['probes'], (where, probe) => {
    const { bias, sags } = checkPart(
      where,
      {
        id: 'text',
        node: 'text',
        lagS: 'over0',
        deadS: 'from0?',
        offsetK: 'number?',
        bias: 'tree?',
        moisture: 'text?',
        sags: 'tree?',
      },
      probe,
    )
    if (bias !== undefined) checkPart(`${where}.bias`, { towards: 'text', share: 'share' }, bias)
    if (sags !== undefined)
      for (const [id, volts] of Object.entries(sags as Tree))
        if (!isNumber(volts)) throw new RangeError(`${where}.sags.${id} is ${said(volts)}: it must be a finite number`)
  })
  if ((scenario['probes'] as unknown[]).length > 24) throw new RangeError('probes are over 24')
  each('actuators', scenario['actuators'], (where, actuator) => {
    const { perK, draws } = checkPart(
      where,
      {
        id: 'text',
        node: 'text?',
        powerW: 'from0?',
        takesOut: 'truth?',
        travelS: 'from0?',
        perK: 'tree?',
        draws: 'tree?',
      },
      actuator,
    )
    if (perK !== undefined) checkPart(`${where}.perK`, { of: 'text', share: 'number', atC: 'number' }, perK)
    if (draws !== undefined) checkPart(`${where}.draws`, { node: 'text', runA: 'from0', startAs: 'from0?' }, draws)
  })
  each('controls', scenario['controls'], checkControl)
  if ((scenario['controls'] as unknown[]).length > 24) throw new RangeError('controls are over 24')
  for (const [name, input] of Object.entries((scenario['inputs'] ?? {}) as Tree)) checkInput(`inputs.${name}`, input)
  for (const list of ['permissives', 'lines'] as const)
    each(list, scenario[list] ?? [], (where, permissive) => {
      const { expression } = checkPart(where, { drives: 'text', expression: 'any' }, permissive)
      checkExpression(`${where}.expression`, expression)
    })
  each(
    'alarms',
    scenario['alarms'] ?? [],
    parts({ id: 'text', probe: 'text', aboveC: 'number?', belowC: 'number?', delayS: 'from0?' }),
  )
  each('faults', scenario['faults'] ?? [], checkFault)
  const whole = value as Scenario
  for (const control of whole.controls)
    if (isContinuous(control) && 'sampleS' in control && (control.sampleS ?? SAMPLE_S) > HOUR_S)
      throw new RangeError(`control ${control.id}: sampleS ${control.sampleS} must not be over ${HOUR_S} s`)
  checkTimes(whole)
  checkJoined(whole)
}
