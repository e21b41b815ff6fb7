import { actionOf } from '../../kinds/actionOf'
import { choiceOf } from '../../device/asSet'
import { answersOf } from '../../kinds/answersOf'
import type { ConnectionFact } from '../../words/connectionWords'
import { factsOfKind } from '../../kinds/kinds'
import { loadLogics } from '../../wiring/loadLogic'
import { callPaths, powerPaths } from '../../wiring/powerPath'
import { controlOutputs, reachOf } from '../../wiring/reach'
import type { Found } from '../finding'
import { eachPlan, lookAgain, note, type Rule, stop } from './rule'

const chainComplete: Rule = ({ chain }) => {
  const has = (...categories: string[]) => chain.devices.some(({ facts }) => categories.includes(facts.category))
  const missing = (code: 'C001_NO_PROBE' | 'C002_NO_CONTROLLER' | 'C003_NO_LOAD' | 'C004_NO_SUPPLY') =>
    lookAgain(code, { about: 'chain', figures: {} })
  const findings: Found[] = []
  if (!has('probe', 'transmitter') && !feelsItself(chain.devices)) findings.push(missing('C001_NO_PROBE'))
  if (!has('controller')) findings.push(missing('C002_NO_CONTROLLER'))
  if (!has('load')) findings.push(missing('C003_NO_LOAD'))
  if (wantsSupply(chain.devices) && !chain.connections.some(({ toPort }) => toPort.kind === 'supply-in'))
    findings.push(missing('C004_NO_SUPPLY'))
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
  judgedConnections.flatMap((found): Found[] => {
    if (found.verdict === 'fits') return []
    const connection = chain.connections.find(({ id }) => id === found.connection)
    const unfit = found.verdict === 'does-not-fit'
    return [
      (unfit ? stop : lookAgain)(unfit ? 'C010_DOES_NOT_FIT' : 'C011_CONNECTION_LOOK', {
        about: found.connection,
        figures: {
          from: connection?.fromDevice.tag ?? '',
          to: connection?.toDevice.tag ?? '',
          found: { code: found.code, figures: found.figures } as ConnectionFact,
        },
        worked: found.worked,
        ...(found.fix ? { fix: found.fix } : {}),
      }),
    ]
  })

/** Inputs of a controller that nothing is joined to, and outputs that drive nothing. */
const nothingLeftOpen: Rule = ({ chain }) =>
  chain.devices.flatMap((device): Found[] => {
    if (!device.facts.controller) return []
    const outputs = controlOutputs(device)
    const idle = outputs.filter((port) => reachOf(chain, { device: device.id, port }).length === 0)
    if (outputs.length === 0 || idle.length < outputs.length) return []
    return [
      lookAgain('C005_DRIVES_NOTHING', {
        about: device.id,
        figures: { tag: device.tag, outputsCount: outputs.length },
      }),
    ]
  })

/** A drive whose run terminals nothing closes stands still, whatever speed it is told. */
const runJoined: Rule = ({ chain }) => {
  const joined = new Set(chain.connections.map(({ to }) => `${to.device}.${to.port}`))
  return chain.devices.flatMap((device): Found[] =>
    device.facts.category !== 'drive'
      ? []
      : Object.entries(device.facts.ports).flatMap(([id, port]): Found[] =>
          port.kind === 'contact-in' && !joined.has(`${device.id}.${id}`)
            ? [
                stop('C153_RUN_OPEN', {
                  about: `${device.id}.${id}`,
                  figures: { tag: device.tag, name: device.name, port: port.title },
                }),
              ]
            : [],
        ),
  )
}

/** A wireless switch whose receiver stays as it was when it hears nothing more. */
const radioLost: Rule = ({ chain }) =>
  chain.devices.flatMap((device): Found[] => {
    const { permissive, options = {} } = device.facts
    const id = permissive?.radio?.lost
    const option = id === undefined ? undefined : options[id]
    if (id === undefined || !option || choiceOf(option, device.set?.[id]) !== 'stays') return []
    const loads = loadLogics(chain)
      .filter(({ contacts }) => contacts.some((contact) => contact.device.id === device.id))
      .map(({ load }) => load.tag)
    if (loads.length === 0) return []
    const opens = option.choices['opens']
    return [
      lookAgain('C160_RADIO_STAYS', {
        about: device.id,
        figures: { tag: device.tag, loads: [...new Set(loads)], rangeM: permissive!.radio!.rangeM },
        ...(opens
          ? {
              fix: {
                ...{ do: 'set-option', device: device.id, option: id, choice: 'opens' },
                say: `Set \u201c${option.title}\u201d of ${device.tag} to ${opens.title}`,
              },
            }
          : {}),
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
  return chain.devices.flatMap((device): Found[] =>
    Object.entries(device.facts.ports).flatMap(([id, port]): Found[] =>
      port.kind === 'supply-in' && !fed.has(`${device.id}.${id}`)
        ? [
            lookAgain('C008_NOT_FED', {
              about: `${device.id}.${id}`,
              figures: { tag: device.tag, name: device.name, port: port.title, windows: Object.values(port.variants) },
            }),
          ]
        : [],
    ),
  )
}

const linesFed: Rule = ({ chain }) =>
  powerPaths(chain).flatMap(({ supply, contacts, connections, load, portId }): Found[] => {
    if (supply || connections.length === 0 || contacts[0]?.port.fed) return []
    return [
      lookAgain('C006_LINE_NOT_FED', {
        about: `${load.id}.${portId}`,
        figures: { tag: load.tag, contacts: contacts.map(({ device }) => device.tag) },
      }),
    ]
  })

const actionMatches = eachPlan((plan, { chain, loop }) =>
  reachOf(chain, plan.output).flatMap(({ does, device }): Found[] => {
    const heats = does === 'element' || does === 'fuel' || does === 'water-flow'
    const cools = does === 'cooling' || (does === 'air-flow' && actionOf(loop) === 'cooling')
    if ((plan.action === 'heating' && !cools) || (plan.action === 'cooling' && !heats)) return []
    return [
      stop(
        'C036_CROSSED',
        {
          about: `${plan.id}/${device.id}`,
          figures: { action: plan.action, tag: device.tag, planAction: plan.action },
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
    .leaning(answersOf(loop))
    .also.filter(({ category }) => category === 'permissive')
  const ends = [...powerPaths(chain), ...callPaths(chain)].filter(
    ({ loadPort, connections }) => connections.length > 0 && !['none', 'light', 'defrost'].includes(loadPort.does),
  )
  return wanted.flatMap(({ senses, as }): Found[] => {
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
          figures: { as, tag: load.tag, senses },
          ...(last && last.fromPort.kind === 'contact' && senses
            ? { fix: { do: 'insert', connection: last.id, wants: { category: 'permissive', senses } } as const }
            : {}),
        })
      })
  })
}

/** Whether a permissive sits in the command of what switches this load, or pulls a relay whose contact is in its line. */
function commandProves({ chain }: Parameters<Rule>[0], load: string, senses: string | undefined): boolean {
  const pulls = loadLogics(chain).some(
    (logic) =>
      logic.load.id === load && logic.protects.some(({ device }) => device.facts.permissive?.senses === senses),
  )
  if (pulls) return true
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
  chain.devices.flatMap((device): Found[] => {
    const { category } = device.facts
    if (category !== 'limiter' && category !== 'permissive') return []
    if (chain.connections.some(({ fromDevice, toDevice }) => fromDevice.id === device.id || toDevice.id === device.id))
      return []
    return [note('C007_NOT_JOINED', { about: device.id, figures: { tag: device.tag, name: device.name } })]
  })

/** Rules about what is there and how it is joined. */
export const chainRules: readonly Rule[] = [
  chainComplete,
  connectionsFit,
  nothingLeftOpen,
  runJoined,
  radioLost,
  devicesFed,
  linesFed,
  actionMatches,
  permissivesThere,
  spareContacts,
]
