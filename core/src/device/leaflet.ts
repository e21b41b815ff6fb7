import { conventionWords } from '../settings/switching/law/conventionWords'
import { probeName } from '../probes/probeName'
import type { ProbePart } from '../probes/probe'
import { signalTitle } from '../signal/signalTitle'
import type { Quantity } from '../units/quantity'
import type { Words } from '../words/words'
import type { ContactPort, DeviceProfile, Parameter, Port, SupplyVariant } from './deviceProfile'
import type { Category, Effect } from '../choices/deviceChoices'
import { placeTitles } from '../choices/placeTitles'

interface LeafletRow {
  readonly label: string
  readonly text: string
}
export interface LeafletSection {
  readonly title: string
  readonly rows: readonly LeafletRow[]
}

export const categoryTitles: Readonly<Record<Category, string>> = {
  controller: 'Controller',
  probe: 'Probe',
  transmitter: 'Transmitter',
  relay: 'Relay',
  limiter: 'Limiter',
  permissive: 'Permissive',
  drive: 'Drive',
  load: 'Load',
  supply: 'Supply',
}

const effectWords: Readonly<Record<Effect, string>> = {
  element: 'heats by its own power',
  fuel: 'burns fuel',
  'water-flow': 'lets heating water in',
  cooling: 'takes heat out',
  'air-flow': 'moves air',
  defrost: 'melts frost',
  light: 'gives light',
  none: 'moves nothing by itself',
}
const faultWords = { off: 'off', on: 'on', last: 'last value', duty: 'fixed duty' } as const
const rectifierWords = {
  half: 'half-wave: its common is the supply\u2019s',
  full: 'full-wave: never share its common with a half-wave device',
  isolated: 'isolated',
} as const

/** Everything a leaflet says of a device, as lines in the reader\u2019s units. */
export function leaflet(profile: DeviceProfile, parts: readonly ProbePart[], words: Words): LeafletSection[] {
  const { say } = words
  const span = (low: number, high: number, quantity: Quantity = 'temperature') =>
    `${say(low, quantity, 0)} to ${say(high, quantity, 0)}`
  const label = (terminal: string | undefined) =>
    terminal === undefined ? '' : (profile.terminals[terminal]?.label ?? terminal)
  const variantText = ({ lowV, highV, current, line, neutral, earth }: SupplyVariant) =>
    `${lowV} to ${highV} V ${current.toUpperCase().replace('-', ' or ')} on ${[line, neutral, earth].filter(Boolean).map(label).join(', ')}`
  const contactText = (port: ContactPort) =>
    [
      `${label(port.common)} and ${label(port.make)}${port.breaks ? `, opens ${label(port.breaks)}` : ''}${port.second ? `, second pole ${label(port.second.common)} and ${label(port.second.make)}` : ''}`,
      port.fed
        ? `puts ${port.fed.from === 'supply' ? 'its own supply' : say(port.fed.volts, 'voltage', 0)} out`
        : port.solidState
          ? `solid-state, leaks ${say(port.solidState.leakMa, 'milliamps', 0)}`
          : 'dry',
      Object.values(port.ratings)
        .map(({ load, volts, amps }) => `${load} ${say(amps, 'current')} at ${say(volts, 'voltage', 0)}`)
        .join(', '),
      port.least
        ? `clean from ${say(port.least.volts, 'voltage')}, ${say(1000 * port.least.amps, 'milliamps', 0)}`
        : '',
      `${port.ratedOperations.toLocaleString('en-GB')} operations`,
    ]
      .filter(Boolean)
      .join('; ')
  const portText = (port: Port): string => {
    switch (port.kind) {
      case 'supply-in':
        return `${say(port.drawsVa, 'apparentPower')}; ${Object.values(port.variants)
          .sort((a, b) => a.order - b.order)
          .map(variantText)
          .join('; ')}`
      case 'supply-out':
        return `${say(port.volts, 'voltage', 0)} ${port.current.toUpperCase()}, up to ${say(port.protectionA, 'current')}${port.ratedVa ? `, ${say(port.ratedVa, 'apparentPower', 0)}` : ''}${port.safety ? ', safety extra-low voltage' : ''}${port.midpoint ? `, two hots, neutral ${label(port.midpoint)}` : ''}${port.classA ? ', Class A ground-fault protection' : port.residualMa ? `, ${port.residualMa} mA residual-current device` : ''}${port.earthedCommon ? ', 0 earthed' : ''}`
      case 'probe-out':
        return `${label(port.a)} and ${label(port.b)}`
      case 'probe-in':
        return `${probeName(port.accepts, parts)}, ${span(port.lowC, port.highC)}, on ${label(port.a)} and ${label(port.b)}${port.feels ? `; for ${placeTitles[port.feels]}` : ''}`
      case 'measure-out':
      case 'measure-in':
        return `${port.measures}, ${signalTitle(port.signal)}, ${span(port.low, port.high, port.measures === 'humidity' ? 'percent' : 'temperature')}, on ${label(port.plus)} and ${label(port.minus)}`
      case 'signal-out':
        return `${signalTitle(port.signal)} on ${label(port.plus)} and ${label(port.minus)}${port.sourceMa ? `, gives ${say(port.sourceMa, 'milliamps')}` : ''}${port.mostOhm ? `, into ${say(port.mostOhm, 'resistance', 0)} at most` : ''}`
      case 'signal-in':
        return `${signalTitle(port.signal)} on ${label(port.plus)} and ${label(port.minus)}${port.needMa ? `, takes ${say(port.needMa, 'milliamps')}` : ''}${port.burdenOhm ? `, ${say(port.burdenOhm, 'resistance', 0)}` : ''}; ${effectWords[port.does]}`
      case 'contact':
        return contactText(port)
      case 'contact-in':
        return `dry contact on ${label(port.a)} and ${label(port.b)}, wets it with ${say(port.wets.volts, 'voltage', 0)}, ${say(1000 * port.wets.amps, 'milliamps', 0)}; ${effectWords[port.does]}${port.givesW ? `, ${say(port.givesW, 'power')}` : ''}`
      case 'load':
        return `${port.load.kind} ${port.load.amps === undefined ? say(port.load.powerW, 'electricPower') : say(port.load.amps, 'current')} at ${say(port.load.volts, 'voltage', 0)}${port.load.phases === 3 ? ', three phases' : ''}; ${effectWords[port.does]}${port.givesW ? `, ${say(port.givesW, 'power')}` : ''}`
      case 'pair':
        return `${label(port.a)}, ${label(port.b)} and ${label(port.common)}`
    }
  }
  const sections: LeafletSection[] = []
  const put = (title: string, rows: readonly (LeafletRow | undefined | false)[]) => {
    const there = rows.filter((row): row is LeafletRow => Boolean(row))
    if (there.length > 0) sections.push({ title, rows: there })
  }
  const row = (text: string | undefined, name: string): LeafletRow | undefined =>
    text === undefined ? undefined : { label: name, text }
  const { controller, probe, limiter, load, body, permissive, relay } = profile
  put(
    'Terminals and what they are for',
    Object.values(profile.ports).map((port) => ({ label: port.title, text: portText(port) })),
  )
  put(
    'Set before it is keyed',
    Object.values(profile.options ?? {}).map(({ title, by, choices }) => ({
      label: `${title} (${{ model: 'as bought', link: 'link', terminals: 'by which terminals are wired', parameter: 'keyed' }[by]})`,
      text: Object.values(choices)
        .sort((a, b) => a.order - b.order)
        .map((choice) => `${choice.title}: ${choice.does}`)
        .join(' '),
    })),
  )
  if (probe)
    put('Probe', [
      row(probeName(probe.curve, parts), 'Curve'),
      row(say(probe.toleranceK, 'difference', 2), 'Good for'),
      row(say(probe.lagS, 'seconds'), 'Lag, 63 %'),
      probe.lowC !== undefined && probe.highC !== undefined && row(span(probe.lowC, probe.highC), 'Bears'),
      row(
        Object.keys(probe.places ?? {})
          .map((place) => placeTitles[place as keyof typeof placeTitles])
          .join(', ') || undefined,
        'Made for',
      ),
      probe.wires !== undefined && row(`${probe.wires}`, 'Wires'),
    ])
  if (controller)
    put('Control and display', [
      controller.range && row(span(controller.range.lowC, controller.range.highC), 'Setpoint'),
      row(say(controller.display.stepC, 'difference', 1), 'Display step'),
      row(
        Object.values(controller.conventions)
          .sort((a, b) => a.order - b.order)
          .map(
            ({ convention, swingIs }) =>
              `set ${conventionWords[convention]}${swingIs === 'each-side' ? ', swing each side' : ''}`,
          )
          .join('; ') || undefined,
        'Swing',
      ),
      row(`${controller.faultDisplay.open} open, ${controller.faultDisplay.short} shorted`, 'Broken probe shows'),
      row(
        Object.values(controller.faultOutputs)
          .sort((a, b) => a.order - b.order)
          .map(({ does }) => faultWords[does])
          .join(', '),
        'Output then',
      ),
      controller.rectifies && row(rectifierWords[controller.rectifies], 'Rectifies'),
      row(
        controller.probeSafe ? 'separated from mains by double or reinforced insulation' : 'not separated from mains',
        'Probe input',
      ),
      controller.restarts !== undefined &&
        row(controller.restarts ? 'by itself, with the values it had' : 'waits for a key', 'After a power loss'),
    ])
  if (limiter)
    put('Limiter', [
      row(limiter.feels, 'Feels'),
      row(span(limiter.lowC, limiter.highC), 'Dial'),
      row(limiter.reset === 'manual' ? 'by hand' : 'by itself', 'Reset'),
      row(limiter.sensing === 'bimetal' ? 'its own bimetal' : 'a bulb that can be laid into a bath', 'Feels with'),
    ])
  if (permissive) put('Permissive', [row(permissive.senses, 'Feels')])
  if (relay?.separated) put('Relay', [row('mains and extra-low voltage side by side', 'Made for')])
  if (load)
    put('What it asks', [
      load.minimumOffS !== undefined &&
        row(
          `${say(load.minimumOffS, 'seconds')}${load.timesOwnMinimumOff ? ', timed by itself' : ''}`,
          'Minimum off time',
        ),
      load.startsPerHour !== undefined && row(say(load.startsPerHour, 'perHour', 0), 'Starts at most'),
      load.returnMinC !== undefined && row(say(load.returnMinC, 'temperature', 0), 'Return not under'),
      load.movesM3h !== undefined && row(say(load.movesM3h, 'airFlow'), 'Moves'),
      row(load.ownSafety ?? load.ownLimiter, 'Own safety'),
      load.afterRun && row(`${say(load.afterRun.s, 'seconds')}, its supply stays on`, 'Runs after'),
      load.glowA !== undefined &&
        load.glowS !== undefined &&
        row(`${say(load.glowA, 'current')} for ${say(load.glowS, 'seconds')}`, 'Glow'),
    ])
  if (body)
    put('Outside', [
      row(`${body.widthMm} × ${body.heightMm} × ${body.depthMm} mm, ${body.mount}`, 'Size'),
      body.cutOut &&
        row(`${body.cutOut.widthMm} × ${body.cutOut.heightMm} mm, +${body.cutOut.toleranceMm} mm`, 'Cut-out'),
      body.protection !== undefined && row(`IP${String(body.protection).padStart(2, '0')}`, 'Closed to'),
      body.lowC !== undefined && body.highC !== undefined && row(span(body.lowC, body.highC), 'Bears around it'),
    ])
  return sections
}

/** What a parameter accepts, in the reader\u2019s units. */
export function parameterRange({ low, high, shows, quantity }: Parameter, { say }: Words): string {
  if (shows) return [...new Set(Object.values(shows))].join(', ')
  if (low === undefined || high === undefined) return ''
  return quantity ? `${say(low, quantity)} to ${say(high, quantity)}` : `${low} to ${high}`
}

/** What a parameter comes with. */
export function parameterComes({ comes, quantity }: Parameter, { say }: Words): string {
  if (comes === undefined) return ''
  return typeof comes === 'number' && quantity ? say(comes, quantity) : String(comes)
}
