import type { StepFact } from '../words/stepWords'
import type { LoopContext } from '../loop/context'
import type { ResolvedDevice } from '../document/chain'
import { fieldValue } from '../plant/fieldValue'
import { controlOutputs, reachOf } from '../wiring/reach'
import { loadLogics } from '../wiring/loadLogic'
import { openByCause } from './openByCause'
import type { SafetyStep } from './safetyStep'
import type { StepMaker } from './stepMaker'

const GROUP = 'Switch on'

const loadsOf = (device: ResolvedDevice) =>
  Object.values(device.facts.ports).filter((port) => port.kind === 'load' && port.does !== 'none')

const isCompressor = (device: ResolvedDevice) =>
  Object.values(device.facts.ports).some(
    (port) =>
      (port.kind === 'load' && port.load.kind === 'compressor') ||
      (port.kind === 'contact-in' && port.does === 'cooling'),
  )

/** Whether the probe inputs of a device are separated from mains by double or reinforced insulation. */
const separatedInput = ({ facts }: ResolvedDevice) => facts.controller?.probeSafe === true

/** What makes a contact open by its own cause. */
const openingOf = (device: ResolvedDevice, words: LoopContext['words']) => {
  if (device.facts.permissive) {
    const how = openByCause(device, words)
    return `${how[0]!.toLowerCase()}${how.slice(1)}`
  }
  return `turn the dial of ${device.tag} ${device.name} down until it opens, and back`
}

/** Which row of the field data tells how long an actuator travels; nothing for what is no actuator. */
function travelOf({ facts }: ResolvedDevice): string | undefined {
  const ports = Object.values(facts.ports)
  if (ports.some((port) => port.kind === 'load' && port.role !== undefined)) return 'travel.mix'
  if (!ports.some((port) => 'does' in port && port.does === 'water-flow')) return undefined
  if (ports.some((port) => port.kind === 'signal-in' && port.does === 'water-flow')) return 'travel.globe'
  const [load] = ports.filter((port) => port.kind === 'load')
  if (load?.kind !== 'load') return undefined
  return load.load.kind === 'resistive' ? 'travel.wax' : load.load.powerW < 15 ? 'travel.zone' : undefined
}

/**
 * The order of switching on and what each step should show: supplies, controllers, each probe pulled to see that its own display changes,
 * crankcase heaters long before, actuators with their way and time, guards, pumps and fans, and what heats or cools last.
 */
export function powerUp(context: LoopContext, make: StepMaker): readonly SafetyStep[] {
  const { chain, data, words } = context
  const of = (test: (device: ResolvedDevice) => boolean) => chain.devices.filter(test)
  const step = (id: string, title: string, doing: string, should: string, wrong: StepFact, caution?: string) =>
    make.answered(
      {
        id: `on:${id}`,
        group: GROUP,
        title,
        doing,
        should,
        yes: 'As it should',
        no: 'Not so',
        must: false,
        ...(caution === undefined ? {} : { caution }),
      },
      wrong,
    )
  const steps: SafetyStep[] = []
  const compressors = of(isCompressor)
  if (compressors.length > 0) {
    const { low, high, source } = fieldValue(data, 'crankcase')
    steps.push(
      step(
        'crankcase',
        'Crankcase heater first',
        `Power on ${compressors.map(({ tag }) => tag).join(', ')} with the control held off: ${low} to ${high} h before the first start, as the maker says (${source}).`,
        'The crankcase is warm to the hand, warmer than the room.',
        { code: 'power-up.crankcase', figures: {} },
        'Refrigerant circuits are for licensed people; here only the wire is switched.',
      ),
    )
  }
  for (const device of of(({ facts }) => facts.category === 'supply'))
    steps.push(
      step(
        `supply:${device.id}`,
        `${device.tag} on`,
        `${device.tag} ${device.name} alone, every load still off.`,
        'Nothing trips, nothing hums, no smell.',
        { code: 'power-up.supply', figures: {} },
      ),
    )
  for (const device of of(({ facts }) => facts.controller !== undefined))
    steps.push(
      step(
        `controller:${device.id}`,
        `${device.tag} ${device.name}`,
        'Landed in its round, cover on, no output called for: power on.',
        chain.connections.some(({ toDevice, toPort }) => toDevice.id === device.id && toPort.kind === 'probe-in')
          ? 'It wakes, its display shows a temperature that can be true, no output is on.'
          : 'It wakes or clicks as its leaflet says, no output is on.',
        { code: 'power-up.controller', figures: {} },
      ),
    )
  for (const { id, fromPort, toPort, fromDevice, toDevice } of chain.connections) {
    if (fromPort.kind !== 'probe-out' && fromPort.kind !== 'measure-out') continue
    const display = toDevice.facts.controller?.faultDisplay.open
    const terminal =
      'a' in toPort
        ? (toDevice.facts.terminals[toPort.a]?.label ?? '')
        : 'plus' in toPort
          ? (toDevice.facts.terminals[toPort.plus]?.label ?? '')
          : ''
    steps.push(
      step(
        `pull:${id}`,
        `Pull ${fromDevice.tag}`,
        `Off, locked, proved dead: lift one wire of ${fromDevice.tag} ${fromDevice.name} at ${toDevice.tag} ${terminal}. Cover closed, power on: look at the display. Off, proved dead, land it again, cover closed.`,
        `That display, and no other, changes${display && fromPort.kind === 'probe-out' ? `: it shows ${display}` : ''}.`,
        { code: 'power-up.pull', figures: {} },
        separatedInput(toDevice)
          ? 'Mains is beside these terminals: nothing is lifted or landed with the supply on.'
          : `The probe input of ${toDevice.tag} is not separated from mains: its leads can be live. Dead only, cover closed before power.`,
      ),
    )
  }
  for (const device of chain.devices) {
    const travel = travelOf(device)
    if (!travel) continue
    const { low, typical, high, source } = fieldValue(data, travel)
    steps.push(
      step(
        `travel:${device.id}`,
        `Way and time of ${device.tag}`,
        `Call ${device.tag} ${device.name} fully one way, then back, with a stopwatch.`,
        `Opens when called, ${words.say(typical, 'seconds', 0)} or so from end to end (${words.say(low, 'seconds', 0)} to ${words.say(high, 'seconds', 0)}, ${source}).`,
        { code: 'power-up.travel', figures: {} },
        'Moving parts: fingers out of linkages and dampers.',
      ),
    )
  }
  const guarded = loadLogics(chain).flatMap(({ load, port, protects }) =>
    protects.map((contact) => ({ load, call: port.kind === 'contact-in', contact })),
  )
  for (const { load, call, contact } of guarded.filter(
    ({ contact: { device } }) => device.facts.permissive?.senses === 'flow',
  ))
    steps.push(
      step(
        `dry:${contact.name}:${load.id}`,
        `${contact.name} without flow`,
        `First without flow. Off, dead: lift ${call ? 'the call' : 'the line'} of ${load.tag} at ${load.tag}, capped. Cover closed, power on, pump off, control calling: ${call ? 'ohms over the two lifted call wires' : 'volts at the lifted line'}. Off, dead, land it again: this test ends its own lifting.`,
        call ? 'Open: the call does not come.' : 'No volts: the line does not come.',
        { code: 'power-up.dry', figures: { contact: contact.name, tag: load.tag } },
        `Without flow ${load.tag} would run dry: its ${call ? 'call' : 'line'} stays lifted until this is right.`,
      ),
    )
  for (const { load, call, contact } of guarded) {
    const manual = contact.device.facts.limiter?.reset === 'manual'
    const after = load.facts.load?.afterRun !== undefined || (call && load.facts.load?.fuel !== undefined)
    steps.push(
      step(
        `protection:${contact.name}:${load.id}`,
        `${contact.name} stops ${load.tag}`,
        `Before ${load.tag} is left to run: call for it, then ${openingOf(contact.device, words)}. No bridge, no lifted wire in its stead.`,
        `${call ? `Its call opens at once; ${load.tag} ${after ? 'goes through its after-run, then stands' : 'stops by its own control'}` : `${load.tag} loses its voltage at once`} and stays off${manual ? ' until it is reset by hand' : ''}.`,
        { code: 'power-up.protection', figures: { contact: contact.name, tag: load.tag } },
        after ? 'Never cut the supply of a burner while it runs after: it cooks itself.' : undefined,
      ),
    )
  }
  const driven = chain.devices.flatMap((device) =>
    controlOutputs(device).flatMap((port) => reachOf(chain, { device: device.id, port })),
  )
  const movers = of((device) =>
    loadsOf(device).some(
      (port) =>
        port.kind === 'load' && ['air-flow', 'water-flow'].includes(port.does) && travelOf(device) === undefined,
    ),
  )
  const speed = driven
    .filter(({ port, does }) => port.kind === 'signal-in' && does === 'air-flow')
    .map(({ device }) => device)
  for (const device of new Set([...movers, ...speed]))
    steps.push(
      step(
        `turn:${device.id}`,
        `Rotation of ${device.tag}`,
        `Bump ${device.tag} ${device.name}: on, off, watch it run out.`,
        'It turns the way of its arrow, quietly, and moves air or water.',
        { code: 'power-up.turn', figures: {} },
        'Rotating parts start by themselves: guard on, sleeves and hair away.',
      ),
    )
  const last = driven
    .filter(({ does }) => ['element', 'fuel', 'cooling', 'defrost'].includes(does))
    .map(({ device }) => device)
  for (const device of new Set(last))
    steps.push(
      step(
        `run:${device.id}`,
        `${device.tag} last`,
        `Let the control call for ${device.tag} ${device.name}; clamp meter on its line where it has one.`,
        'It starts, draws about its nameplate current, and stops when the call goes.',
        { code: 'power-up.last', figures: {} },
        device.facts.load?.fuel
          ? 'Fuel and flue gas: burner and flue are for the licensed trade; its own safety chain is never touched.'
          : 'Heat near combustibles and hot surfaces: stay with it through the first run.',
      ),
    )
  return steps
}
