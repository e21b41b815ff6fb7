import type { ResolvedDevice } from '../../document/chain'
import { fieldValue } from '../../plant/fieldValue'
import type { Port } from '../../device/deviceProfile'
import { EXTRA_LOW_V } from '../../units/peopleLimits'
import { transformerLoad } from '../../wiring/transformerLoad'
import { callPaths, lineVoltage, powerPaths, supplyOf } from '../../wiring/powerPath'
import { supplyDraws } from '../../wiring/supplyDraws'

import type { Finding } from '../finding'
import { lookAgain, note, type Rule, stop } from './rule'

const outOf = ({ facts }: ResolvedDevice) =>
  Object.values(facts.ports).find((port): port is Extract<Port, { kind: 'supply-out' }> => port.kind === 'supply-out')

const budget: Rule = ({ chain, others, words, data }) => {
  const draws = [...supplyDraws(chain), ...others]
  const reserve = fieldValue(data, 'reserve.va')
  return chain.devices.flatMap((device): Finding[] => {
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
    const told = `${mine.map(({ tag, va }) => `${tag} ${words.say(va, 'apparentPower')}`).join(', ')}: ${words.say(loadVa, 'apparentPower')} of ${words.say(ratedVa, 'apparentPower', 0)}.`
    if (usedPercent > 100)
      return [
        stop('C030_VA_OVER', {
          about: device.id,
          head: `${device.tag} is too small.`,
          reason: told,
          remedy: 'A larger transformer, or a second one for part of it.',
          worked: [call],
        }),
      ]
    if (usedPercent > 100 - reserve.low)
      return [
        lookAgain('C026_VA_CLOSE', {
          about: device.id,
          head: `${device.tag} has little to spare.`,
          reason: `${told} ${reserve.low} to ${reserve.high} % should stay free (${reserve.source}).`,
          remedy: 'The next size of transformer.',
          worked: [call],
        }),
      ]
    return []
  })
}

/** Voltages that meet on one relay body, mains beside extra-low. */
const mixedBody: Rule = ({ chain }) =>
  chain.devices.flatMap((device): Finding[] => {
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
        head: `Mains and extra-low voltage meet on ${device.tag}.`,
        reason: `${Math.max(...high)} V and ${Math.max(...low)} V on one relay that is not made for both: a fault puts mains on the small side.`,
        remedy: 'A relay with reinforced insulation between coil and contact.',
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
  return [...fedBy].flatMap(([supply, devices]): Finding[] => {
    const ways = new Set(devices.map(({ facts }) => facts.controller!.rectifies).filter((way) => way !== 'isolated'))
    if (ways.size < 2) return []
    const tags = devices.map(({ tag }) => tag).join(' and ')
    const joined = chain.connections.some(
      ({ fromDevice, toDevice, fromPort }) =>
        ['signal-out', 'measure-out', 'pair'].includes(fromPort.kind) &&
        devices.includes(fromDevice) &&
        devices.includes(toDevice),
    )
    const say = {
      about: supply,
      reason:
        'One rectifies half a wave, the other both: a common wire between them shorts the secondary every half wave.',
      remedy:
        'A transformer of its own for one of them. Bridge only where all are half-wave and in phase, or isolated, and the leaflets say so.',
    }
    return joined
      ? [stop('C056_RECTIFIERS_BRIDGED', { ...say, head: `${tags} share a secondary and a common.` })]
      : [note('C055_RECTIFIERS_MIXED', { ...say, head: `${tags} hang on one secondary: never join their commons.` })]
  })
}

/** The supply of a fuel heater is never cut: its after-run must finish. */
const afterRunKept: Rule = ({ chain }) =>
  powerPaths(chain).flatMap(({ load, contacts }): Finding[] =>
    load.facts.load?.afterRun && contacts.length > 0
      ? [
          stop('C057_AFTER_RUN_CUT', {
            about: load.id,
            head: `The supply of ${load.tag} is cut by ${contacts.map(({ device }) => device.tag).join(', ')}.`,
            reason: `It runs after for ${Math.round(load.facts.load.afterRun.s / 60)} min to cool down; cut off it cooks itself and fills with fuel gas.`,
            remedy: 'Feed it straight from the fuse and switch it by its run input.',
          }),
        ]
      : [],
  )

/** Rules about what feeds the chain. */
export const supplyRules: readonly Rule[] = [budget, mixedBody, rectifiers, afterRunKept]
