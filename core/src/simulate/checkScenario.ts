import { isContinuous } from './program'
import { type Control, type Scenario } from './scenario'
import { SAMPLE_S } from './controls/samples'

/** What a field may hold; a question mark lets it be left out. */
type Kind = 'any' | 'number' | 'over0' | 'from0' | 'share' | 'text' | 'truth' | 'list' | 'tree'
type Keys = Readonly<Record<string, Kind | `${Kind}?`>>

const lineKeys = {
  designOutdoorC: 'number',
  designSupplyC: 'number',
  warmOutdoorC: 'number',
  warmSupplyC: 'number',
  minimumSupplyC: 'number?',
  maximumSupplyC: 'number?',
  shutdownAboveC: 'number?',
  frostBelowC: 'number?',
  frostSupplyC: 'number?',
} as const satisfies Keys
const probed = { probe: 'text', action: 'text', follows: 'text?', setback: 'tree?' } as const satisfies Keys
const faulted = { probeFault: 'text', dutyShare: 'share?' } as const satisfies Keys
const band = {
  ...probed,
  ...faulted,
  drives: 'text',
  zeroC: 'number',
  fullC: 'number',
  leastShare: 'share?',
  mostShare: 'share?',
  stopsBelow: 'truth?',
} as const satisfies Keys

const controlKeys: Readonly<Record<Control['kind'], Keys>> = {
  constant: { drives: 'text' },
  'on-off': {
    ...probed,
    ...faulted,
    drives: 'text',
    onC: 'number',
    offC: 'number',
    minimumOnS: 'from0?',
    minimumOffS: 'from0?',
  },
  staged: {
    ...probed,
    ...faulted,
    stages: 'list',
    waitS: 'from0?',
    lead: 'text?',
    minimumOnS: 'from0?',
    minimumOffS: 'from0?',
  },
  proportional: { ...band, sampleS: 'over0?' },
  pi: { ...band, sampleS: 'over0?', setC: 'number', integralS: 'over0' },
  'time-proportioned': { ...band, cycleS: 'over0', setC: 'number?', integralS: 'over0?' },
  'three-point': { ...band, sampleS: 'over0?', setC: 'number?', integralS: 'over0?', neutralShare: 'share' },
  fan: {
    drives: 'text',
    demands: 'list',
    leastShare: 'share',
    stops: 'truth?',
    scaled: 'truth?',
    sampleS: 'over0?',
    probeFault: 'text',
  },
  ramped: {
    ...probed,
    probeFault: 'text',
    drives: 'text',
    onC: 'number',
    offC: 'number',
    fullC: 'number',
    leastShare: 'share',
    igniteS: 'from0',
    rampS: 'from0',
    minimumOffS: 'from0?',
    sampleS: 'over0?',
  },
  reset: { probe: 'text', line: 'tree', shiftK: 'number?' },
  schedule: { periods: 'list' },
  timer: { mode: 'text', aS: 'from0', bS: 'from0', from: 'tree?' },
  defrost: {
    by: 'text',
    cooling: 'text',
    fan: 'text?',
    heater: 'text?',
    coil: 'text',
    everyS: 'from0',
    coilC: 'number?',
    blindS: 'from0?',
    endC: 'number',
    longestS: 'over0',
    dripS: 'from0',
    fanBackC: 'number',
    fanDelayS: 'from0?',
  },
  group: { leader: 'text', members: 'list', waits: 'truth' },
  battery: { probe: 'text', cutOffV: 'number', holdS: 'from0', restartV: 'number' },
}

const faultKeys: Readonly<Record<string, Keys>> = {
  open: { probe: 'text' },
  short: { probe: 'text' },
  drifted: { probe: 'text', byK: 'number' },
  'fallen-off': { probe: 'text', place: 'text' },
  'wrong-kind': { probe: 'text', shows: 'list' },
  sun: { probe: 'text', byK: 'number', hours: 'list' },
  welded: { actuator: 'text' },
  dead: { actuator: 'text' },
  'stage-missing': { control: 'text', stage: 'over0' },
  'supply-low': { share: 'share' },
  'stuck-open': { input: 'text' },
  'stuck-closed': { input: 'text' },
  'door-open': { node: 'text', to: 'text', wPerK: 'from0' },
}

const flowKeys: Readonly<Record<string, Keys>> = {
  emitter: {
    from: 'text',
    to: 'text',
    nominalW: 'over0',
    nominalK: 'over0',
    exponent: 'over0',
    while: 'text?',
    by: 'text?',
  },
  evaporation: { water: 'text', air: 'text', wPerPa: 'from0', humidityPercent: 'from0' },
  frost: {
    id: 'text',
    coil: 'text',
    air: 'text',
    wPerK: 'over0',
    stillShare: 'share',
    fan: 'text?',
    humidityPercent: 'from0',
    halfKg: 'over0',
    startKg: 'from0?',
  },
}

type Tree = Readonly<Record<string, unknown>>
const isTree = (value: unknown): value is Tree => typeof value === 'object' && value !== null && !Array.isArray(value)
const isNumber = (value: unknown): value is number => typeof value === 'number' && Number.isFinite(value)
const said = (value: unknown) =>
  typeof value === 'number' ? String(value) : (JSON.stringify(value) ?? 'nothing').slice(0, 80)

const must: Readonly<Record<Kind, readonly [(value: unknown) => boolean, string]>> = {
  any: [() => true, ''],
  number: [isNumber, 'it must be a finite number'],
  over0: [(value) => isNumber(value) && value > 0, 'it must be a number over 0'],
  from0: [(value) => isNumber(value) && value >= 0, 'it must be a number, 0 or more'],
  share: [(value) => isNumber(value) && value >= 0 && value <= 1, 'it must lie between 0 and 1'],
  text: [(value) => typeof value === 'string' && value !== '', 'it must be a text'],
  truth: [(value) => typeof value === 'boolean', 'it must be true or false'],
  list: [Array.isArray, 'it must be a list'],
  tree: [isTree, 'it must be an object'],
}

function checkPart(where: string, keys: Keys, value: unknown): Tree {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  for (const key of Object.keys(value))
    if (!Object.hasOwn(keys, key))
      throw new RangeError(`${where}.${key} is not known; ${where} takes ${Object.keys(keys).join(', ')}`)
  for (const [key, kind] of Object.entries(keys)) {
    const held = value[key]
    if (held === undefined) {
      if (kind.endsWith('?')) continue
      throw new RangeError(`${where}.${key} is missing`)
    }
    const [fits, words] = must[kind.replace('?', '') as Kind]
    if (!fits(held)) throw new RangeError(`${where}.${key} is ${said(held)}: ${words}`)
  }
  return value
}

function each(where: string, list: unknown, check: (where: string, item: unknown) => void) {
  if (!Array.isArray(list)) throw new RangeError(`${where} must be a list`)
  list.forEach((item, i) => check(`${where}[${i}]`, item))
}

const parts = (keys: Keys) => (where: string, item: unknown) => void checkPart(where, keys, item)

function oneOf(where: string, value: unknown, allowed: readonly string[]) {
  if (!allowed.includes(String(value)))
    throw new RangeError(`${where} is ${said(value)}: it must be one of ${allowed.join(', ')}`)
}

function numbers(where: string, value: unknown, least = 1) {
  let fits = Array.isArray(value) && value.length >= least
  if (fits) for (const each of value as unknown[]) if (!isNumber(each)) fits = false
  if (!fits) throw new RangeError(`${where} must be finite numbers, ${least === 1 ? 'one' : least} at least`)
}

function checkLine(where: string, value: unknown) {
  const line = checkPart(where, lineKeys, value) as Record<string, number>
  if (!(line['warmOutdoorC']! > line['designOutdoorC']!))
    throw new RangeError(
      `${where}.warmOutdoorC ${line['warmOutdoorC']} must be over designOutdoorC ${line['designOutdoorC']}`,
    )
}

function checkBoundary(where: string, value: unknown) {
  const keys = isTree(value) ? Object.keys(value) : []
  if (keys.length !== 1 || !['constantC', 'hourlyC', 'supply'].includes(keys[0]!))
    throw new RangeError(`${where} must hold constantC, hourlyC or supply, and nothing else`)
  const held = (value as Tree)[keys[0]!]
  if (keys[0] === 'hourlyC') {
    numbers(`${where}.hourlyC`, held)
    if ((held as readonly number[]).length > 8784 * 2)
      throw new RangeError(`${where}.hourlyC has ${(held as readonly number[]).length} hours: two years are the most`)
  } else if (keys[0] === 'constantC') numbers(`${where}.constantC`, [held])
  else {
    const supply = checkPart(
      `${where}.supply`,
      { outdoor: 'text', line: 'tree', shiftK: 'number?', restC: 'number?' },
      held,
    )
    checkLine(`${where}.supply.line`, supply['line'])
  }
}

function checkHours(where: string, hours: unknown) {
  numbers(where, hours, 2)
  if ((hours as readonly number[]).length !== 2 || (hours as readonly number[]).some((h) => h < 0 || h > 24))
    throw new RangeError(`${where} must be two hours of the day, from 0 to 24`)
}

function checkInput(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  if ('constant' in value) checkPart(where, { constant: 'truth' }, value)
  else if ('hours' in value) {
    checkPart(where, { hours: 'list' }, value)
    each(`${where}.hours`, value['hours'], checkHours)
  } else {
    const { belowC, aboveC } = checkPart(
      where,
      { probe: 'text', belowC: 'number?', aboveC: 'number?', differentialK: 'from0?', latched: 'truth?' },
      value,
    )
    if ((belowC === undefined) === (aboveC === undefined))
      throw new RangeError(`${where} must hold either belowC or aboveC`)
  }
}

function checkExpression(where: string, value: unknown, depth = 0) {
  if (typeof value === 'string') return
  const keys = isTree(value) ? Object.keys(value) : []
  if (keys.length !== 1 || !['and', 'or', 'not'].includes(keys[0]!) || depth > 8)
    throw new RangeError(`${where} must be a name, or hold and, or, not (eight deep at most)`)
  const held = (value as Tree)[keys[0]!]
  if (keys[0] === 'not') checkExpression(`${where}.not`, held, depth + 1)
  else each(`${where}.${keys[0]}`, held, (at, part) => checkExpression(at, part, depth + 1))
}

/** Order of two temperatures that mean on and off. */
function checkOrder(where: string, { action, onC, offC }: Tree) {
  if (action === 'heating' ? !((onC as number) < (offC as number)) : !((onC as number) > (offC as number)))
    throw new RangeError(
      `${where}.onC ${onC} must be ${action === 'heating' ? 'under' : 'over'} offC ${offC} for ${action}`,
    )
}

function checkControl(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  oneOf(`${where}.kind`, value['kind'], Object.keys(controlKeys))
  const kind = value['kind'] as Control['kind']
  const control = checkPart(where, { id: 'text', kind: 'text', ...controlKeys[kind] }, value)
  if ('action' in control) oneOf(`${where}.action`, control['action'], ['heating', 'cooling'])
  if ('probeFault' in control)
    oneOf(
      `${where}.probeFault`,
      control['probeFault'],
      kind === 'fan' ? ['off', 'on', 'least'] : kind === 'ramped' ? ['off', 'on'] : ['off', 'on', 'last', 'duty'],
    )
  if (isTree(control['setback'])) checkPart(`${where}.setback`, { while: 'text', byK: 'number' }, control['setback'])
  if (kind === 'on-off' || kind === 'ramped') checkOrder(where, control)
  if (kind === 'staged') {
    each(`${where}.stages`, control['stages'], (at, stage) => {
      checkOrder(at, {
        ...checkPart(at, { drives: 'text', onC: 'number', offC: 'number' }, stage),
        action: control['action'],
      })
    })
    if ((control['stages'] as unknown[]).length === 0) throw new RangeError(`${where}.stages are empty: one at least`)
    if (control['lead'] !== undefined) oneOf(`${where}.lead`, control['lead'], ['fixed', 'rotate'])
  }
  if ('zeroC' in control) {
    const { action, zeroC, fullC } = control as { action: string; zeroC: number; fullC: number }
    if (action === 'heating' ? fullC >= zeroC : fullC <= zeroC)
      throw new RangeError(
        `${where}.fullC ${fullC} must be ${action === 'heating' ? 'under' : 'over'} zeroC ${zeroC} for ${action}`,
      )
    const [least, most] = [control['leastShare'] ?? 0, control['mostShare'] ?? 1] as [number, number]
    if (least > most) throw new RangeError(`${where}.leastShare ${least} must not be over mostShare ${most}`)
  }
  if (kind === 'fan')
    each(`${where}.demands`, control['demands'], (at, demand) => {
      const { zeroAt, fullAt } = checkPart(at, { probe: 'text', zeroAt: 'number', fullAt: 'number' }, demand)
      if (zeroAt === fullAt) throw new RangeError(`${at}.fullAt ${String(fullAt)} must differ from zeroAt`)
    })
  if (kind === 'reset') checkLine(`${where}.line`, control['line'])
  if (kind === 'schedule')
    each(`${where}.periods`, control['periods'], (at, period) => {
      const { days, start } = checkPart(at, { days: 'text', start: 'text', minutes: 'over0' }, period)
      if (!/^[1-7]+$/.test(days as string)) throw new RangeError(`${at}.days is ${said(days)}: digits 1 (Monday) to 7`)
      if (!/^([01]\d|2[0-3]):[0-5]\d$/.test(start as string))
        throw new RangeError(`${at}.start is ${said(start)}: write 06:30`)
    })
  if (kind === 'timer') {
    oneOf(`${where}.mode`, control['mode'], ['once', 'repeat'])
    if (control['mode'] === 'repeat' && !((control['aS'] as number) > 0 && (control['bS'] as number) > 0))
      throw new RangeError(`${where} repeats: aS and bS must be over 0`)
    if (isTree(control['from']))
      oneOf(
        `${where}.from.action`,
        checkPart(`${where}.from`, { probe: 'text', action: 'text', atC: 'number' }, control['from'])['action'],
        ['heating', 'cooling'],
      )
  }
  if (kind === 'defrost') oneOf(`${where}.by`, control['by'], ['time', 'coil'])
  if (kind === 'battery' && !((control['restartV'] as number) > (control['cutOffV'] as number)))
    throw new RangeError(
      `${where}.restartV ${String(control['restartV'])} must be over cutOffV ${String(control['cutOffV'])}`,
    )
}

function checkFault(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  oneOf(`${where}.kind`, value['kind'], Object.keys(faultKeys))
  const kind = value['kind'] as string
  const fault = checkPart(where, { kind: 'text', atS: 'from0', untilS: 'from0?', ...faultKeys[kind] }, value)
  if (fault['untilS'] !== undefined && (fault['untilS'] as number) <= (fault['atS'] as number))
    throw new RangeError(`${where}.untilS ${String(fault['untilS'])} must be after atS ${String(fault['atS'])}`)
  if (kind === 'sun') checkHours(`${where}.hours`, fault['hours'])
  if (kind === 'wrong-kind') {
    const rows = fault['shows'] as unknown[]
    each(`${where}.shows`, rows, (at, pair) => numbers(at, pair, 2))
    if (rows.length < 2 || rows.some((pair, i) => i > 0 && !((pair as number[])[0]! > (rows[i - 1] as number[])[0]!)))
      throw new RangeError(`${where}.shows must be two pairs at least, what is there rising`)
  }
}

/** Most numbers that a trace may hold: 64 MB. */
const MOST_CELLS = 8_000_000
const HOUR_S = 3600
const LONGEST_S = 400 * 86400

/** A node that nothing joins to anything keeps its temperature for ever: always a slip. */
function checkJoined(scenario: Scenario) {
  const { nodes, links, flows = [], gains = [] } = scenario.network
  const moisture = new Set(scenario.probes.flatMap(({ moisture: node }) => (node === undefined ? [] : [node])))
  const stores = new Set(scenario.actuators.flatMap(({ draws }) => (draws ? [draws.node] : [])))
  const used = new Set([
    ...links.flatMap(({ from, to }) => [from, to]),
    ...flows.flatMap((flow) =>
      flow.kind === 'emitter'
        ? [flow.from, flow.to]
        : flow.kind === 'evaporation'
          ? [flow.water]
          : [flow.coil, flow.air],
    ),
    ...scenario.actuators.flatMap(({ node }) => (node === undefined ? [] : [node])),
    ...gains.map(({ node }) => node),
    ...moisture,
    ...stores,
  ])
  for (const { id } of nodes)
    if (!used.has(id))
      throw new RangeError(`node ${id} hangs on nothing: join it by a link or heat it by an actuator, or take it out`)
}

function checkTimes(scenario: Scenario) {
  const { durationS, traceS } = scenario
  if (!(traceS >= 0 && traceS <= HOUR_S))
    throw new RangeError(`traceS ${traceS} must lie between 0 (none) and ${HOUR_S} s`)
  if (traceS > 0 && Math.abs(HOUR_S / traceS - Math.round(HOUR_S / traceS)) > 1e-9)
    throw new RangeError(`traceS ${traceS} must go into an hour without remainder`)
  if (!(durationS > 0 && durationS >= traceS && durationS <= LONGEST_S))
    throw new RangeError(
      `durationS ${durationS} must lie between traceS and 400 days (${LONGEST_S} s): run a longer time in parts`,
    )
  if (traceS === 0) return
  const columns = 1 + scenario.network.nodes.length + scenario.probes.length + scenario.actuators.length / 2
  const cells = (durationS / traceS) * columns
  if (cells > MOST_CELLS) {
    const least = (durationS * columns) / MOST_CELLS
    const fits = [1, 2, 5, 10, 15, 20, 30, 60, 120, 300, 600, 900, 1800, 3600].find((each) => each >= least) ?? 3600
    throw new RangeError(
      `traceS ${traceS} would write ${Math.round(cells / 1e6)} million numbers over ${Math.round(durationS / 86400)} days: choose ${fits} or more, or 0 for none`,
    )
  }
}

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
  each('permissives', scenario['permissives'] ?? [], (where, permissive) => {
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
