import type { Scenario } from './scenario'

type Keys = Readonly<Record<string, 'number' | 'text' | 'any' | 'optional'>>

/** What each part of a scenario may hold. What is not listed is not simulated yet and is refused, never passed over. */
const parts = {
  scenario: {
    durationS: 'number',
    traceS: 'number',
    network: 'any',
    probes: 'any',
    actuators: 'any',
    controls: 'any',
    inputs: 'optional',
    permissives: 'optional',
    faults: 'optional',
    start: 'optional',
    zone: 'optional',
  },
  network: { nodes: 'any', links: 'any', boundaries: 'any', gains: 'optional' },
  node: { id: 'text', capacityJPerK: 'number', startC: 'number' },
  link: { from: 'text', to: 'text', wPerK: 'number', while: 'optional' },
  gain: { node: 'text', constantW: 'number' },
  probe: { id: 'text', node: 'text', lagS: 'number', offsetK: 'optional', bias: 'optional' },
  actuator: { id: 'text', node: 'optional', powerW: 'optional' },
  control: {
    id: 'text',
    kind: 'text',
    probe: 'text',
    drives: 'text',
    action: 'text',
    onC: 'number',
    offC: 'number',
    minimumOnS: 'optional',
    minimumOffS: 'optional',
    probeFault: 'text',
  },
  permissive: { drives: 'text', expression: 'any' },
  fault: { atS: 'number', probe: 'text', kind: 'text' },
} as const satisfies Record<string, Keys>

const isTree = (value: unknown): value is Readonly<Record<string, unknown>> =>
  typeof value === 'object' && value !== null && !Array.isArray(value)

function checkPart(where: string, keys: Keys, value: unknown): Readonly<Record<string, unknown>> {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  for (const key of Object.keys(value))
    if (!Object.hasOwn(keys, key))
      throw new RangeError(`${where}.${key} is not simulated yet; ${where} takes ${Object.keys(keys).join(', ')}`)
  for (const [key, kind] of Object.entries(keys)) {
    const held = value[key]
    if (kind === 'optional') {
      if (typeof held === 'number' && !Number.isFinite(held))
        throw new RangeError(`${where}.${key} must be a finite number`)
      continue
    }
    if (held === undefined) throw new RangeError(`${where}.${key} is missing`)
    if (kind === 'number' && !(typeof held === 'number' && Number.isFinite(held)))
      throw new RangeError(`${where}.${key} is ${JSON.stringify(held)}: it must be a finite number`)
    if (kind === 'text' && typeof held !== 'string')
      throw new RangeError(`${where}.${key} is ${JSON.stringify(held)}: it must be a text`)
  }
  return value
}

function each(where: string, keys: Keys, list: unknown) {
  if (!Array.isArray(list)) throw new RangeError(`${where} must be a list`)
  list.forEach((item, i) => checkPart(`${where}[${i}]`, keys, item))
}

function oneOf(where: string, value: unknown, allowed: readonly string[]) {
  if (!allowed.includes(String(value)))
    throw new RangeError(`${where} is ${JSON.stringify(value)}: it must be one of ${allowed.join(', ')}`)
}

function checkBoundary(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  const keys = Object.keys(value)
  const numbers = 'hourlyC' in value ? value['hourlyC'] : [value['constantC']]
  if (keys.length !== 1 || !['constantC', 'hourlyC'].includes(keys[0]!) || !Array.isArray(numbers))
    throw new RangeError(`${where} must hold constantC or hourlyC, and nothing else`)
  if (numbers.length === 0 || !numbers.every((v) => typeof v === 'number' && Number.isFinite(v)))
    throw new RangeError(`${where}.${keys[0]} must be finite numbers, one at least`)
}

function checkInput(where: string, value: unknown) {
  if (!isTree(value)) throw new RangeError(`${where} must be an object`)
  if ('constant' in value) checkPart(where, { constant: 'any' }, value)
  else checkPart(where, { probe: 'text', belowC: 'number', differentialK: 'optional', latched: 'optional' }, value)
}

/**
 * Holds open data against what the engine can run, so that nothing asked for is silently left out.
 * @throws RangeError naming the place, the value and what is allowed
 */
export function checkScenario(value: unknown): asserts value is Scenario {
  const scenario = checkPart('scenario', parts.scenario, value)
  const network = checkPart('network', parts.network, scenario['network'])
  each('network.nodes', parts.node, network['nodes'])
  each('network.links', parts.link, network['links'])
  each('network.gains', parts.gain, network['gains'] ?? [])
  if (!isTree(network['boundaries'])) throw new RangeError('network.boundaries must be an object')
  for (const [id, boundary] of Object.entries(network['boundaries']))
    checkBoundary(`network.boundaries.${id}`, boundary)
  each('probes', parts.probe, scenario['probes'])
  each('actuators', parts.actuator, scenario['actuators'])
  if (!Array.isArray(scenario['controls'])) throw new RangeError('controls must be a list')
  scenario['controls'].forEach((control: unknown, i) => {
    const where = `controls[${i}]`
    if (isTree(control)) oneOf(`${where}.kind`, control['kind'], ['on-off'])
    const held = checkPart(where, parts.control, control)
    oneOf(`${where}.action`, held['action'], ['heating', 'cooling'])
    oneOf(`${where}.probeFault`, held['probeFault'], ['off', 'on'])
    const [on, off] = [Number(held['onC']), Number(held['offC'])]
    if (held['action'] === 'heating' ? !(on < off) : !(on > off))
      throw new RangeError(
        `${where}.onC ${on} must be ${held['action'] === 'heating' ? 'under' : 'over'} offC ${off} for ${String(held['action'])}`,
      )
  })
  if (scenario['inputs'] !== undefined) {
    if (!isTree(scenario['inputs'])) throw new RangeError('inputs must be an object')
    for (const [id, input] of Object.entries(scenario['inputs'])) checkInput(`inputs.${id}`, input)
  }
  each('permissives', parts.permissive, scenario['permissives'] ?? [])
  each('faults', parts.fault, scenario['faults'] ?? [])
  for (const [i, fault] of ((scenario['faults'] ?? []) as { kind: string }[]).entries())
    oneOf(`faults[${i}].kind`, fault.kind, ['open', 'short'])
}
