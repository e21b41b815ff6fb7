import { fieldValue } from '../../plant/fieldValue'
import type { ResolvedChain, ResolvedDevice } from '../../document/chain'
import { EXTRA_LOW_V, PEOPLE_WATER_MOST_C } from '../../units/peopleLimits'
import { groundFault, mainsCircuits, voltsToEarth } from '../../wiring/groundFault'
import { lineVoltage, type PowerPath, powerPaths, supplyOf } from '../../wiring/powerPath'
import { touchedBy, wantsGroundFault } from '../../survey/atRisk'
import { isValve } from '../../wiring/valves'
import type { LoopContext } from '../../loop/context'
import type { Found } from '../finding'
import { answered, lookAgain, type Rule, stop, told } from './rule'

const residual: Rule = (context) => {
  const { chain, job } = context
  if (!wantsGroundFault(context)) return []
  const touched = touchedBy(context) !== undefined
  const us = job.practice === 'us'
  return mainsCircuits(chain).flatMap(({ device, out }): Found[] => {
    const state = groundFault(out, job.practice)
    if (state === 'protects') return []
    if (state === 'refer')
      return touched ? [told('C139_GROUND_FAULT_REFER', device.id, { tag: device.tag, volts: voltsToEarth(out) })] : []
    return [
      (touched ? stop : lookAgain)('C067_NO_RESIDUAL_DEVICE', {
        about: device.id,
        figures: { tag: device.tag, us, touched },
      }),
    ]
  })
}

const probesApart: Rule = (context) => {
  const { chain } = context
  const touched = touchedBy(context) !== undefined
  if (!wantsGroundFault(context)) return []
  return chain.connections.flatMap(({ fromPort, fromDevice, toDevice, toPort }): Found[] => {
    if (fromPort.kind !== 'probe-out' || toPort.kind !== 'probe-in' || !toDevice.facts.controller) return []
    const feed = supplyOf(chain, toDevice.id)?.fromPort
    const safe = feed?.kind === 'supply-out' && feed.safety === true
    if (safe || toDevice.facts.controller.probeSafe || !feed) return []
    return [
      stop('C053_PROBE_NOT_SAFE', {
        about: fromDevice.id,
        figures: { tag: fromDevice.tag, touched, name: toDevice.name },
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
    : inTheWater(context).flatMap(({ device, volts, safe }): Found[] => {
        const low = volts <= EXTRA_LOW_V
        if ((low && (safe || volts === 0)) || device.facts.waterSafe) return []
        return [told('C135_MAINS_IN_TOUCHED_WATER', device.id, { tag: device.tag, name: device.name, volts, low })]
      })

const bonded: Rule = (context) => {
  const who = touchedBy(context)
  return who && answered(context, 'bonding') === 'no'
    ? [told('C134_NOT_BONDED', 'site', { who }, { step: 'survey' })]
    : []
}

const sprayPlanned: Rule = (context) => {
  const { data } = context
  const target = answered(context, 'target')
  const { low, high } = fieldValue(data, 'dhw.danger')
  if (answered(context, 'aerosol') !== 'yes' || answered(context, 'waterPlan') !== 'no' || typeof target !== 'number')
    return []
  return target >= low && target <= high
    ? [told('C136_AEROSOL_NO_PLAN', 'site', { targetC: target, fromC: low, toC: high }, { step: 'survey' })]
    : []
}

const notTooHot: Rule = (context) => {
  const target = answered(context, 'target')
  return touchedBy(context) === 'people' && typeof target === 'number' && target > PEOPLE_WATER_MOST_C
    ? [told('C137_WATER_TOO_HOT', 'site', { targetC: target, mostC: PEOPLE_WATER_MOST_C }, { step: 'survey' })]
    : []
}

/** Rules about water that people or animals touch, and water that is thrown about. */
export const waterRules: readonly Rule[] = [residual, probesApart, nothingLiveInIt, bonded, sprayPlanned, notTooHot]
