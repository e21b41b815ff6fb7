import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import type { ResolvedConnection } from '../../document/chain'
import { loopKinds } from '../../kinds/kinds'
import { loopContext } from '../../loop/context'
import { winterDay } from '../../plant/winterDay'
import { ordered } from '../../schema/ordered'
import { withDefaultPlans } from '../../survey/defaultPlans'
import { chained, idOf } from '../../testing/chains'
import { fieldData } from '../../testing/fieldData'
import { device } from '../../testing/loops'
import { plannedFloor } from '../../testing/warmFloor'
import { addDevice, bypass, type Edited, insertDevice, joinPorts } from '../../wiring/chainEdit'
import { runOutcome } from '../../check/runOutcome'
import { carries, runs } from '../../wiring/contactLogic'
import { loadLogics } from '../../wiring/loadLogic'
import { CALLED } from '../scenario'
import { simulate } from '../simulate'
import { loopFaults, withFaults } from './loopFaults'
import { loopScenario } from './loopScenario'

/** Chains of each run; a hunt asks for more and starts elsewhere. */
const CHAINS = Number(process.env['NACHTIGAL_CHAINS'] ?? 40)
const SEED = process.env['NACHTIGAL_SEED']

const replanned = (edited: Edited) =>
  withDefaultPlans(edited, fieldData, () => `made-${Object.keys(edited.loop.settings.planned).length}`)

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)

/** A day of a loop with something broken or by hand, as what the wiring says beside what it did. */
function dayOf(edited: Edited, chosen: (ids: readonly string[]) => readonly string[] = () => []) {
  const context = contextOf(edited)
  const run = loopScenario(context, context.survey!, { hourlyC: winterDay(-5), days: 1 })
  const offers = loopFaults(run, context.chain, fieldData, 14)
  const scenario = withFaults(
    run.scenario,
    offers,
    chosen(offers.map(({ id }) => id)).map((id) => ({ id, atH: 6, untilH: 12 })),
  )
  return { context, run, scenario, result: simulate(scenario) }
}
type Day = ReturnType<typeof dayOf>

/** Whether each contact of a load is closed at a point of the trace. What has nothing but a control before it runs when that calls. */
function closedAt({ run, result }: Day, load: string, point: number): ReadonlySet<string> {
  const { contacts, drives } = result.trace
  const called = contacts[`${CALLED} ${load}`] ?? drives[load]!
  const holds = (name: string) => (name === CALLED ? called[point]! > 0 : contacts[name]?.[point] === 1)
  const terms = Object.entries(run.terms[load] ?? {})
  return new Set(terms.flatMap(([name, term]) => (carries(term, holds) ? [name] : [])))
}

/** Points at which a drive does other than the contacts of its wiring say. */
function contrary(day: Day): readonly string[] {
  const { context, scenario, result } = day
  return loadLogics(context.chain).flatMap(({ load, expression, contacts }) => {
    const actuator = scenario.actuators.find(({ id }) => id === load.id)
    const drives = result.trace.drives[load.id]
    if (!actuator || !drives || (actuator.travelS ?? 0) > 0 || day.run.terms[load.id] === undefined) return []
    return Array.from(drives, (share, point) => {
      const closed = closedAt(day, load.id, point)
      return share > 0 === runs(expression!, closed)
        ? ''
        : `${load.tag} at ${result.trace.timeS[point]} s: ${share}, with ${contacts.map(({ name }) => `${name} ${closed.has(name) ? 'closed' : 'open'}`).join(', ')}`
    }).filter((said) => said !== '')
  })
}

const energyOf = ({ result }: Day) => Object.values(result.summary.energyKwh).reduce((sum, kwh) => sum + kwh, 0)
const across = (edited: Edited, over: string, port: string, what: string) =>
  replanned(bypass(edited, { device: idOf(edited, over), port }, device(what), 'across'))
/** Puts a device into the line that leaves a contact: a switch, or the contact of a second control. */
function between(edited: Edited, over: ResolvedConnection, what: string, id: string): Edited {
  const profile = device(what)
  if (profile.category !== 'controller') return replanned(insertDevice(edited, over.id, profile, id, {}))
  const mine = { device: id, port: 'out1' }
  return replanned(joinPorts(joinPorts(addDevice(edited, profile, id, {}), over.from, mine), mine, over.to))
}
const inSeries = (edited: Edited, from: string, what: string) =>
  between(
    edited,
    contextOf(edited).chain.connections.find(
      (each) => each.fromDevice.profile === from && each.fromPort.kind === 'contact',
    )!,
    what,
    'between',
  )

describe('a run is of this wiring', () => {
  it('a switch across the control is open until it is closed by hand; then only the limiter stops it', () => {
    const by = across(plannedFloor(), 'dipper', 'out1', 'hand-switch')
    const [alone, open] = [dayOf(plannedFloor()), dayOf(by)]
    expect(energyOf(open)).toBe(energyOf(alone))
    const closed = dayOf(by, () => ['closed S1'])
    expect(contrary(closed)).toEqual([])
    const pump = closed.run.outputs[0]!.actuator
    const at = (hour: number) => closed.result.trace.drives[pump]![hour * 60]
    expect([at(7), at(9), at(11)]).toEqual([1, 1, 1])
    expect(closed.result.summary.onS[pump]).toBeGreaterThan(open.result.summary.onS[pump]!)
  })
  it('a switch in series is closed until it is opened; what it held off is an event with its name', () => {
    const series = inSeries(plannedFloor(), 'dipper', 'hand-switch')
    expect(energyOf(dayOf(series))).toBe(energyOf(dayOf(plannedFloor())))
    const opened = dayOf(series, () => ['open S1'])
    const pump = opened.run.outputs[0]!.actuator
    const held = opened.result.events.filter(({ what, of }) => (what === 'held' || what === 'freed') && of === pump)
    expect(held.map(({ what, why }) => `${what} ${why ?? ''}`)).toEqual(['held S1', 'freed '])
    expect(held[1]!.atS).toBe(12 * 3600)
    expect(contrary(opened)).toEqual([])
  })
  it('a second control in parallel runs it for both; in series only with both', () => {
    const warmer = (edited: Edited, byK: number): Edited => {
      const planned = Object.fromEntries(
        Object.entries(edited.loop.settings.planned).map(([id, plan]) => [
          id,
          plan.kind === 'on-off' && plan.output.device !== idOf(plannedFloor(), 'dipper')
            ? { ...plan, setpointC: plan.setpointC + byK }
            : plan,
        ]),
      )
      return { ...edited, loop: { ...edited.loop, settings: { ...edited.loop.settings, planned } } }
    }
    const parallel = across(plannedFloor(), 'dipper', 'out1', 'dipper')
    const series = inSeries(plannedFloor(), 'dipper', 'dipper')
    for (const edited of [parallel, series]) expect(ordered(edited.loop.settings.planned)).toHaveLength(2)
    const means = [warmer(parallel, 1.5), warmer(series, 1.5), plannedFloor(), warmer(series, -1.5)].map((edited) => {
      const day = dayOf(edited)
      expect(contrary(day)).toEqual([])
      return day.result.summary.settlesC[day.run.controlled]!
    })
    // Warmer in parallel leads; warmer in series changes nothing much; cooler in series holds it down.
    expect(means[0]! - means[2]!).toBeGreaterThan(1)
    expect(Math.abs(means[1]! - means[2]!)).toBeLessThan(0.3)
    expect(means[2]! - means[3]!).toBeGreaterThan(1)
  })
  it('a control without a plan never closes, and is named as what holds the load off', () => {
    const { job, loop } = inSeries(plannedFloor(), 'dipper', 'dipper')
    const [first] = Object.entries(loop.settings.planned)
    const day = dayOf({ job, loop: { ...loop, settings: { ...loop.settings, planned: Object.fromEntries([first!]) } } })
    const pump = day.run.outputs[0]!.actuator
    expect(day.result.summary.onS[pump]).toBe(0)
    const held = day.result.events.find(({ what }) => what === 'held')!
    expect(day.run.conditions[held.why!]).toMatch(/^A2, which has no plan$/)
    const { sentences } = runOutcome(day.context, day.run, day.result, -5)
    expect(sentences.map(({ code }) => code)).toContain('held')
    expect(sentences.find(({ code }) => code === 'held')!.reason).toMatch(
      /^A2, which has no plan, keeps its line open from 0\.\d\sh on\.$/,
    )
  })

  it('every drive does what the truth table says, at every point of a day', () => {
    const pick = fc.record({
      where: fc.nat(20),
      how: fc.constantFrom('across', 'between'),
      what: fc.constantFrom('hand-switch', 'dipper', 'filter-timer', 'flow-paddle'),
    })
    let held = 0
    fc.assert(
      fc.property(
        fc.constantFrom(...loopKinds),
        fc.array(pick, { maxLength: 3 }),
        fc.array(fc.nat(200), { maxLength: 2 }),
        (kind, picks, faults) => {
          const edited = picks.reduce((next, { where, how, what }, i) => {
            const { chain } = contextOf(next)
            const all = chain.connections.filter(
              ({ fromPort, fromDevice }) =>
                fromPort.kind === 'contact' && !fromPort.fed && fromDevice.facts.category !== 'drive',
            )
            const over = all[where % Math.max(1, all.length)]
            if (!over) return next
            return replanned(
              how === 'across'
                ? bypass(next, over.from, device(what), `add-${i}`)
                : between(next, over, what, `add-${i}`),
            )
          }, chained(kind))
          // Nothing that welds or kills a load: that is beside its wiring.
          const day = dayOf(edited, (ids) => {
            const fit = ids.filter((id) => /^(open|closed|up|down) /.test(id))
            return [...new Set(faults.map((n) => fit[n % fit.length]!))]
          })
          expect(contrary(day)).toEqual([])
          held += day.result.events.filter(({ what }) => what === 'held').length
          for (const { what, why, of } of day.result.events)
            if (what === 'held') {
              expect(why).not.toBe('')
              expect(day.scenario.actuators.map(({ id }) => id)).toContain(of)
            }
        },
      ),
      { numRuns: CHAINS, ...(SEED === undefined ? { seed: 23 } : { seed: Number(SEED) }) },
    )
    expect(held).toBeGreaterThan(0)
  })
})
