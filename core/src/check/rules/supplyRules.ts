import type { ResolvedDevice } from '../../document/chain'
import { fieldValue } from '../../plant/fieldValue'
import type { Port } from '../../device/deviceProfile'
import { EXTRA_LOW_V } from '../../units/peopleLimits'
import { transformerLoad } from '../../wiring/transformerLoad'
import { callPaths, lineVoltage, powerPaths, supplyOf } from '../../wiring/powerPath'
import { supplyDraws } from '../../wiring/supplyDraws'

import type { Found } from '../finding'
import { lookAgain, note, type Rule, stop } from './rule'

const outOf = ({ facts }: ResolvedDevice) =>
  Object.values(facts.ports).find((port): port is Extract<Port, { kind: 'supply-out' }> => port.kind === 'supply-out')

const budget: Rule = ({ chain, others, data }) => {
  const draws = [...supplyDraws(chain), ...others]
  const reserve = fieldValue(data, 'reserve.va')
  return chain.devices.flatMap((device): Found[] => {
    const ratedVa = device.facts.category === 'supply' ? outOf(device)?.ratedVa : undefined
    if (ratedVa === undefined) return []
    const mine = draws.filter(({ supply }) => supply === device.id)
    const loads = mine.map(({ tag, va }) => ({ name: tag, va }))
    const { loadVa, usedPercent } = transformerLoad(ratedVa, loads)
    const call = {
      calc: 'wiring.transformer',
      input: { ratedVa, loads, reservePercent: reserve.low },
      output: 'loadVa',
    }
    const figures = { tag: device.tag, draws: mine.map(({ tag, va }) => ({ tag, va })), loadVa, ratedVa }
    if (usedPercent > 100) return [stop('C030_VA_OVER', { about: device.id, figures, worked: [call] })]
    if (usedPercent > 100 - reserve.low)
      return [lookAgain('C026_VA_CLOSE', { about: device.id, figures: { ...figures, reserve }, worked: [call] })]
    return []
  })
}

/** Voltages that meet on one relay body, mains beside extra-low. */
const mixedBody: Rule = ({ chain }) =>
  chain.devices.flatMap((device): Found[] => {
    if (device.facts.category !== 'relay' || device.facts.relay?.separated) return []
    const power = powerPaths(chain)
    const volts = [
      ...power.flatMap((line) =>
        line.load.id === device.id || line.contacts.some((c) => c.device.id === device.id)
          ? [lineVoltage(chain, line)?.volts ?? line.loadPort.load.volts]
          : [],
      ),
      ...callPaths(chain).flatMap(({ contacts, loadPort }) =>
        contacts.some((c) => c.device.id === device.id) ? [loadPort.wets.volts] : [],
      ),
    ]
    const high = volts.filter((v) => v > EXTRA_LOW_V)
    const low = volts.filter((v) => v <= EXTRA_LOW_V)
    if (high.length === 0 || low.length === 0) return []
    return [
      stop('C054_MIXED_ON_ONE_BODY', {
        about: device.id,
        figures: { tag: device.tag, highV: Math.max(...high), lowV: Math.max(...low) },
      }),
    ]
  })

/** Devices that rectify one secondary in different ways and share a signal common. */
const rectifiers: Rule = ({ chain }) => {
  const fedBy = new Map<string, ResolvedDevice[]>()
  for (const device of chain.devices) {
    if (!device.facts.controller?.rectifies) continue
    const feed = supplyOf(chain, device.id)
    if (feed?.fromPort.kind === 'supply-out' && feed.fromPort.current === 'ac' && feed.fromPort.volts <= EXTRA_LOW_V)
      fedBy.set(feed.fromDevice.id, [...(fedBy.get(feed.fromDevice.id) ?? []), device])
  }
  return [...fedBy].flatMap(([supply, devices]): Found[] => {
    const ways = new Set(devices.map(({ facts }) => facts.controller!.rectifies).filter((way) => way !== 'isolated'))
    if (ways.size < 2) return []
    const figures = { tags: devices.map(({ tag }) => tag) }
    const joined = chain.connections.some(
      ({ fromDevice, toDevice, fromPort }) =>
        ['signal-out', 'measure-out', 'pair'].includes(fromPort.kind) &&
        devices.includes(fromDevice) &&
        devices.includes(toDevice),
    )
    return joined
      ? [stop('C056_RECTIFIERS_BRIDGED', { about: supply, figures })]
      : [note('C055_RECTIFIERS_MIXED', { about: supply, figures })]
  })
}

/** The supply of a fuel heater is never cut: its after-run must finish. */
const afterRunKept: Rule = ({ chain }) =>
  powerPaths(chain).flatMap(({ load, contacts }): Found[] =>
    load.facts.load?.afterRun && contacts.length > 0
      ? [
          stop('C057_AFTER_RUN_CUT', {
            about: load.id,
            figures: {
              tag: load.tag,
              contacts: contacts.map(({ device }) => device.tag),
              afterRunS: load.facts.load.afterRun.s,
            },
          }),
        ]
      : [],
  )

/** Rules about what feeds the chain. */
export const supplyRules: readonly Rule[] = [budget, mixedBody, rectifiers, afterRunKept]
