import { fieldValue } from '../../plant/fieldValue'
import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import { CLASS_A_MOST_V, EXTRA_LOW_V, PEOPLE_WATER_MOST_C } from '../../units/peopleLimits'
import { groundFault, mainsCircuits, voltsToEarth } from '../../wiring/groundFault'
import { lineVoltage, type PowerPath, powerPaths, supplyOf } from '../../wiring/powerPath'
import { touchedBy, wantsGroundFault } from '../../survey/atRisk'
import { isValve } from '../../wiring/valves'
import type { LoopContext } from '../context'
import type { Finding } from '../finding'
import { answered, lookAgain, type Rule, stop, told } from './rule'

const residual: Rule = (context) => {
  const { chain, job } = context
  if (!wantsGroundFault(context)) return []
  const touched = touchedBy(context) !== undefined
  const us = job.practice === 'us'
  return mainsCircuits(chain).flatMap(({ device, out }): Finding[] => {
    const state = groundFault(out, job.practice)
    if (state === 'protects') return []
    if (state === 'refer')
      return touched
        ? [told(context, 'C139_GROUND_FAULT_REFER', device.id, { tag: device.tag, volts: voltsToEarth(out) })]
        : []
    const what = us ? 'Class A ground-fault protection' : '30 mA residual-current device'
    return [
      (touched ? stop : lookAgain)('C067_NO_RESIDUAL_DEVICE', {
        about: device.id,
        head: `${device.tag} has no ${what}.`,
        reason: touched
          ? us
            ? `The water is touched: at 4 to 6 mA it must trip; a 30 mA device does not count (circuits up to ${CLASS_A_MOST_V} V to ground).`
            : 'The water is touched: a fault must switch off before anyone feels it.'
          : 'It is washed down: water finds its way in.',
        remedy: us
          ? 'A circuit with Class A ground-fault protection and bonding, by the licensed trade.'
          : 'A circuit with a 30 mA device and bonding, by the licensed trade.',
      }),
    ]
  })
}

const probesApart: Rule = (context) => {
  const { chain } = context
  const touched = touchedBy(context) !== undefined
  if (!wantsGroundFault(context)) return []
  return chain.connections.flatMap(({ fromPort, fromDevice, toDevice, toPort }): Finding[] => {
    if (fromPort.kind !== 'probe-out' || toPort.kind !== 'probe-in' || !toDevice.facts.controller) return []
    const feed = supplyOf(chain, toDevice.id)?.fromPort
    const safe = feed?.kind === 'supply-out' && feed.safety === true
    if (safe || toDevice.facts.controller.probeSafe || !feed) return []
    return [
      stop('C053_PROBE_NOT_SAFE', {
        about: fromDevice.id,
        head: `${fromDevice.tag} is not separated from mains.`,
        reason: `It sits ${touched ? 'in water that is touched' : 'where it is washed down'}; ${toDevice.name} neither has a separated input nor a safety transformer.`,
        remedy: 'Feed the controller from a safety transformer, or choose one with separated inputs.',
      }),
    ]
  })
}

/** Switches, valves and heaters that sit in the water, each with the most that it carries and whether that is safely separated. */
function inTheWater({ chain, rows }: LoopContext): { device: ResolvedDevice; volts: number; safe: boolean }[] {
  const lines = powerPaths(chain)
  return chain.devices.flatMap((device) => {
    const senses = device.facts.permissive?.senses
    const heats = Object.values(device.facts.ports).some((port) => port.kind === 'load' && port.does === 'element')
    if (senses !== 'flow' && senses !== 'level' && !heats && !isValve(device)) return []
    const mine = lines.filter(
      (line) => line.load === device || line.contacts.some((contact) => contact.device === device),
    )
    const own = supplyOf(chain, device.id)?.fromPort
    const fed = [
      ...mine.map((line) => ({ volts: lineVoltage(chain, line)?.volts ?? 0, safe: safelyFed(chain, line) })),
      ...(own?.kind === 'supply-out' ? [{ volts: own.volts, safe: own.safety === true }] : []),
    ].sort((a, b) => b.volts - a.volts)
    const [worst] = fed
    if (!worst || !rows.some(({ from, to }) => from.device === device.id || to.device === device.id)) return []
    return [{ device, ...worst }]
  })
}

/** Whether what feeds a line is separated from mains: its supply, or the supply of the device that puts its own voltage out. */
function safelyFed(chain: ResolvedChain, { supply, contacts: [head] }: PowerPath): boolean {
  if (supply) return supply.port.safety === true
  const feed = head?.port.fed?.from === 'supply' ? supplyOf(chain, head.device.id)?.fromPort : undefined
  return feed?.kind === 'supply-out' && feed.safety === true
}

const nothingLiveInIt: Rule = (context) =>
  touchedBy(context) === undefined
    ? []
    : inTheWater(context).flatMap(({ device, volts, safe }): Finding[] => {
        const low = volts <= EXTRA_LOW_V
        if ((low && (safe || volts === 0)) || device.facts.waterSafe) return []
        return [
          told(context, 'C135_MAINS_IN_TOUCHED_WATER', device.id, { tag: device.tag, name: device.name, volts, low }),
        ]
      })

const bonded: Rule = (context) => {
  const who = touchedBy(context)
  return who && answered(context, 'bonding') === 'no'
    ? [told(context, 'C134_NOT_BONDED', 'site', { who }, { step: 'survey' })]
    : []
}

const sprayPlanned: Rule = (context) => {
  const { data } = context
  const target = answered(context, 'target')
  const { low, high } = fieldValue(data, 'dhw.danger')
  if (answered(context, 'aerosol') !== 'yes' || answered(context, 'waterPlan') !== 'no' || typeof target !== 'number')
    return []
  return target >= low && target <= high
    ? [told(context, 'C136_AEROSOL_NO_PLAN', 'site', { targetC: target, fromC: low, toC: high }, { step: 'survey' })]
    : []
}

const notTooHot: Rule = (context) => {
  const target = answered(context, 'target')
  return touchedBy(context) === 'people' && typeof target === 'number' && target > PEOPLE_WATER_MOST_C
    ? [told(context, 'C137_WATER_TOO_HOT', 'site', { targetC: target, mostC: PEOPLE_WATER_MOST_C }, { step: 'survey' })]
    : []
}

/** Rules about water that people or animals touch, and water that is thrown about. */
export const waterRules: readonly Rule[] = [residual, probesApart, nothingLiveInIt, bonded, sprayPlanned, notTooHot]
