import { factsOfKind } from '../../survey/kindFacts'
import { callPaths, powerPaths } from '../../wiring/powerPath'
import { controlOutputs, reachOf } from '../../wiring/reach'
import type { Finding } from '../finding'
import { eachPlan, lookAgain, note, type Rule, stop } from './rule'

const chainComplete: Rule = ({ chain }) => {
  const has = (...categories: string[]) => chain.devices.some(({ facts }) => categories.includes(facts.category))
  const missing = (code: string, what: string, remedy: string) =>
    lookAgain(code, { about: 'chain', head: `No ${what} yet.`, reason: `The chain has no ${what}.`, remedy })
  const findings: Finding[] = []
  if (!has('probe', 'transmitter') && !feelsItself(chain.devices))
    findings.push(missing('C001_NO_PROBE', 'probe', 'Choose one from the shelf.'))
  if (!has('controller')) findings.push(missing('C002_NO_CONTROLLER', 'controller', 'Choose one from the shelf.'))
  if (!has('load')) findings.push(missing('C003_NO_LOAD', 'load', 'Choose what the output drives.'))
  if (wantsSupply(chain.devices) && !chain.connections.some(({ toPort }) => toPort.kind === 'supply-in'))
    findings.push(missing('C004_NO_SUPPLY', 'supply', 'Choose the circuit that feeds it.'))
  return findings
}

type Devices = Parameters<Rule>[0]['chain']['devices']

/** A controller without an input for a probe feels the place itself: a thermostat on the wall. */
const feelsItself = (devices: Devices) =>
  devices.some(
    ({ facts }) =>
      facts.category === 'controller' && !Object.values(facts.ports).some(({ kind }) => kind === 'probe-in'),
  )
const wantsSupply = (devices: Devices) =>
  devices.some(({ facts }) => facts.controller && Object.values(facts.ports).some(({ kind }) => kind === 'supply-in'))

const connectionsFit: Rule = ({ judgedConnections, chain }) =>
  judgedConnections.flatMap((found): Finding[] => {
    if (found.verdict === 'fits') return []
    const connection = chain.connections.find(({ id }) => id === found.connection)
    const unfit = found.verdict === 'does-not-fit'
    return [
      (unfit ? stop : lookAgain)(unfit ? 'C010_DOES_NOT_FIT' : 'C011_CONNECTION_LOOK', {
        about: found.connection,
        head: `${connection?.fromDevice.tag ?? ''} to ${connection?.toDevice.tag ?? ''}: ${unfit ? 'does not fit' : 'look again'}.`,
        reason: found.reason,
        remedy: found.remedy ?? 'Choose another device.',
        worked: found.worked,
        ...(found.fix ? { fix: found.fix } : {}),
      }),
    ]
  })

/** Inputs of a controller that nothing is joined to, and outputs that drive nothing. */
const nothingLeftOpen: Rule = ({ chain }) =>
  chain.devices.flatMap((device): Finding[] => {
    if (!device.facts.controller) return []
    const outputs = controlOutputs(device)
    const idle = outputs.filter((port) => reachOf(chain, { device: device.id, port }).length === 0)
    if (outputs.length === 0 || idle.length < outputs.length) return []
    return [
      lookAgain('C005_DRIVES_NOTHING', {
        about: device.id,
        head: `${device.tag} drives nothing.`,
        reason: `None of its ${outputs.length === 1 ? 'outputs' : `${outputs.length} outputs`} ends in a load.`,
        remedy: 'Choose a load, or join an output to one.',
      }),
    ]
  })

/** Devices that wait for a supply of their own while others have theirs. */
const devicesFed: Rule = ({ chain }) => {
  const fed = new Set(chain.connections.map(({ to }) => `${to.device}.${to.port}`))
  const any = chain.connections.some(
    ({ fromPort, toPort }) => fromPort.kind === 'supply-out' && toPort.kind === 'supply-in',
  )
  if (!any) return []
  return chain.devices.flatMap((device): Finding[] =>
    Object.entries(device.facts.ports).flatMap(([id, port]): Finding[] =>
      port.kind === 'supply-in' && !fed.has(`${device.id}.${id}`)
        ? [
            lookAgain('C008_NOT_FED', {
              about: `${device.id}.${id}`,
              head: `Nothing feeds ${device.tag}.`,
              reason: `${device.name}, ${port.title}: ${Object.values(port.variants)
                .map(
                  ({ lowV, highV, current }) => `${lowV} to ${highV} V ${current.toUpperCase().replace('-', ' or ')}`,
                )
                .join(', or ')}.`,
              remedy: 'Choose a supply in this window.',
            }),
          ]
        : [],
    ),
  )
}

const linesFed: Rule = ({ chain }) =>
  powerPaths(chain).flatMap(({ supply, contacts, connections, load, portId }): Finding[] => {
    if (supply || connections.length === 0 || contacts[0]?.port.fed) return []
    return [
      lookAgain('C006_LINE_NOT_FED', {
        about: `${load.id}.${portId}`,
        head: `Nothing feeds the line of ${load.tag}.`,
        reason: `It runs through ${contacts.map(({ device }) => device.tag).join(', ')} and ends there.`,
        remedy: 'Choose the supply that feeds it.',
      }),
    ]
  })

const WORDS = { heating: 'heats', cooling: 'cools' } as const

const actionMatches = eachPlan((plan, { chain, loop }) =>
  reachOf(chain, plan.output).flatMap(({ does, device }): Finding[] => {
    const heats = does === 'element' || does === 'fuel' || does === 'water-flow'
    const cools = does === 'cooling' || (does === 'air-flow' && factsOfKind(loop.kind).action === 'cooling')
    if ((plan.action === 'heating' && !cools) || (plan.action === 'cooling' && !heats)) return []
    return [
      stop(
        'C036_CROSSED',
        {
          about: `${plan.id}/${device.id}`,
          head: `The output ${WORDS[plan.action]}, ${device.tag} does the opposite.`,
          reason: `It would run the more the ${plan.action === 'heating' ? 'colder' : 'warmer'} it gets, and make it worse.`,
          remedy: `Turn the action to ${plan.action === 'heating' ? 'cooling' : 'heating'}, or join another load.`,
        },
        'match',
      ),
    ]
  }),
)

/** What the kind of loop needs proved before its load may run. */
const permissivesThere: Rule = (context) => {
  const { loop, chain } = context
  const wanted = factsOfKind(loop.kind)
    .leaning(loop.survey.answers)
    .also.filter(({ category }) => category === 'permissive')
  const ends = [...powerPaths(chain), ...callPaths(chain)].filter(
    ({ loadPort, connections }) => connections.length > 0 && !['none', 'light', 'defrost'].includes(loadPort.does),
  )
  return wanted.flatMap(({ senses, as }): Finding[] => {
    const hard = senses === 'flow' || senses === 'frost' || senses === 'co'
    // What only tells whether it works may hang anywhere: on an alarm, say.
    if (!hard && chain.connections.some(({ fromDevice }) => fromDevice.facts.permissive?.senses === senses)) return []
    return (hard ? ends : ends.slice(0, 1))
      .filter(({ contacts, load }) => {
        const own = contacts.some(({ device }) => device.facts.permissive?.senses === senses)
        return !own && !commandProves(context, load.id, senses)
      })
      .map(({ load, portId, connections }) => {
        const last = connections.at(-1)
        return (hard ? stop : lookAgain)('C046_NOT_PROVED', {
          about: `${load.id}.${portId}/${senses}`,
          head: `No ${as} before ${load.tag}.`,
          reason: WHY[senses ?? 'flow'] ?? 'It may run with nothing to carry its heat.',
          remedy: `Put ${/^[aeiou]/i.test(as) ? 'an' : 'a'} ${as} in series in this line.`,
          ...(last && last.fromPort.kind === 'contact' && senses
            ? { fix: { do: 'insert', connection: last.id, wants: { category: 'permissive', senses } } as const }
            : {}),
        })
      })
  })
}

const WHY: Readonly<Record<string, string>> = {
  flow: 'Without flow the heater boils what stands in it, or the evaporator freezes and bursts.',
  frost: 'Liquid under its freezing margin bursts the evaporator into the refrigerant circuit.',
  co: 'Exhaust that leaks into the cabin has no smell.',
  'air-flow': 'A fan that is commanded is not yet a fan that turns.',
}

/** Whether a permissive sits in the command of the relay that switches this load. */
function commandProves({ chain }: Parameters<Rule>[0], load: string, senses: string | undefined): boolean {
  return chain.devices.some((device) =>
    controlOutputs(device).some((port) =>
      reachOf(chain, { device: device.id, port }).some(
        (reach) =>
          reach.device.id === load &&
          reach.lines.some(({ contacts }) => contacts.some((c) => c.device.facts.permissive?.senses === senses)),
      ),
    ),
  )
}

const spareContacts: Rule = ({ chain }) =>
  chain.devices.flatMap((device): Finding[] => {
    const { category } = device.facts
    if (category !== 'limiter' && category !== 'permissive') return []
    if (chain.connections.some(({ fromDevice, toDevice }) => fromDevice.id === device.id || toDevice.id === device.id))
      return []
    return [
      note('C007_NOT_JOINED', {
        about: device.id,
        head: `${device.tag} ${device.name} is in no line.`,
        reason: 'It hangs beside the chain and stops nothing.',
        remedy: 'Join it into the line that it is to open, or take it out.',
      }),
    ]
  })

/** Rules about what is there and how it is joined. */
export const chainRules: readonly Rule[] = [
  chainComplete,
  connectionsFit,
  nothingLeftOpen,
  devicesFed,
  linesFed,
  actionMatches,
  permissivesThere,
  spareContacts,
]
