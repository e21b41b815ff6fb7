import type { LoopContext } from '../check/context'
import type { ResolvedDevice } from '../job/chain'
import { fieldValue } from '../plant/fieldValue'
import { controlOutputs, reachOf } from '../wiring/reach'
import { loadLogics } from '../wiring/loadLogic'
import type { SafetyStep } from './safetyStep'
import type { stepMaker } from './stepMaker'

type Make = ReturnType<typeof stepMaker>
const GROUP = 'Switch on'

const loadsOf = (device: ResolvedDevice) =>
  Object.values(device.facts.ports).filter((port) => port.kind === 'load' && port.does !== 'none')

const isCompressor = (device: ResolvedDevice) =>
  Object.values(device.facts.ports).some(
    (port) =>
      (port.kind === 'load' && port.load.kind === 'compressor') ||
      (port.kind === 'contact-in' && port.does === 'cooling'),
  )

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
export function powerUp(context: LoopContext, make: Make): readonly SafetyStep[] {
  const { chain, data, words } = context
  const of = (test: (device: ResolvedDevice) => boolean) => chain.devices.filter(test)
  const step = (id: string, title: string, doing: string, should: string, wrong: string, caution?: string) =>
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
        'Cold oil is full of refrigerant: a start now breaks the compressor. Wait, or call the licensed trade.',
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
        'Off again. Back to the dead tests: separation and insulation.',
      ),
    )
  for (const device of of(({ facts }) => facts.controller !== undefined))
    steps.push(
      step(
        `controller:${device.id}`,
        `${device.tag} ${device.name}`,
        'Connect its supply, outputs not called for.',
        chain.connections.some(({ toDevice, toPort }) => toDevice.id === device.id && toPort.kind === 'probe-in')
          ? 'It wakes, its display shows a temperature that can be true, no output is on.'
          : 'It wakes or clicks as its leaflet says, no output is on.',
        'Supply pair, supply voltage, probe input: in that order.',
      ),
    )
  for (const { id, fromPort, toPort, fromDevice, toDevice } of chain.connections) {
    if (fromPort.kind !== 'probe-out' && fromPort.kind !== 'measure-out') continue
    const display = toDevice.facts.controller?.faultDisplay.open
    steps.push(
      step(
        `pull:${id}`,
        `Pull ${fromDevice.tag}`,
        `Lift one wire of ${fromDevice.tag} ${fromDevice.name} at ${toDevice.tag} ${'a' in toPort ? (toDevice.facts.terminals[toPort.a]?.label ?? '') : 'plus' in toPort ? (toDevice.facts.terminals[toPort.plus]?.label ?? '') : ''}, look at the display, land it again.`,
        `That display, and no other, changes${display && fromPort.kind === 'probe-out' ? `: it shows ${display}` : ''}.`,
        'Another display changed: two probes are swapped. Swap them back at the controller, then pull again.',
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
        'The wrong way: open and close are swapped, or it is set the other way round. Too slow: voltage at its terminals.',
        'Moving parts: fingers out of linkages and dampers.',
      ),
    )
  }
  const guarded = loadLogics(chain).flatMap(({ load, protects }) => protects.map((contact) => ({ load, contact })))
  for (const { load, contact } of guarded)
    steps.push(
      step(
        `guard:${contact.name}:${load.id}`,
        `${contact.name} stops ${load.tag}`,
        `Before ${load.tag} is let run: call for it, then make ${contact.name} ${contact.device.name} open by its own means (turn its dial down, stop the flow, open the door). No bridge, no lifted wire in its stead.`,
        `${load.tag} loses its voltage at once and stays off${contact.device.facts.limiter?.reset === 'manual' ? ' until it is reset by hand' : ''}.`,
        `${contact.name} does not stop ${load.tag}: it is by-passed or in the wrong line. Off, isolate, look at the logic.`,
      ),
    )
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
        'The wrong way round or stuck: isolate; three phases swap two, one phase look at its capacitor.',
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
        'It stays on: welded contact or wrong rest of the output. Off, isolate.',
        device.facts.load?.fuel
          ? 'Fuel and flue gas: burner and flue are for the licensed trade; its own safety chain is never touched.'
          : 'Heat near combustibles and hot surfaces: stay with it through the first run.',
      ),
    )
  return steps
}
