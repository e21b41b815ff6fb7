import { readdirSync } from 'node:fs'
import { switchingPlans } from '../settings/behaviour'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { changesBetween } from '../document/changesBetween'
import { applyCommand } from '../document/applyChange'
import { sameValue } from '../document/canonicalJson'
import { winterDay } from '../plant/winterDay'
import { keyingSheet } from '../commissioning/keyingSheet'
import { loopScenario } from '../simulate/loop/loopScenario'
import { simulate } from '../simulate/simulate'
import { withDefaultPlans } from '../survey/defaultPlans'
import { fieldData } from '../testing/fieldData'
import { plannedFloor, profile, surveyedFloor, twoOutputs } from '../testing/warmFloor'
import { addDevice, type Edited, insertDevice, removeDevice, replaceDevice } from '../wiring/chainEdit'
import { limitersOf, ownProtection } from '../wiring/protections'
import { outputPath } from '../wiring/outputPath'
import { powerPaths } from '../wiring/powerPath'
import { supplyVariant } from '../wiring/supplyVariant'
import { checkLoop } from './checkLoop'
import { consequences, probeFailures } from '../settings/consequences'
import { loopContext } from '../loop/context'
import { nextThing, signingBlockedBy, stepStatus } from '../progress/stepStatus'

const folders = [
  ...['controllers', 'drives', 'probes', 'transmitters', 'loads', 'limiters', 'permissives', 'relays', 'supplies'],
]
const shelf = folders.flatMap((folder) =>
  readdirSync(new URL(`../../../shelf/${folder}`, import.meta.url)).map((file) =>
    profile(`${folder}/${file.replace('.json', '')}`),
  ),
)

/** What a hand can do to a chain, in any order, sensible or not. */
const act = fc.oneof(
  fc.record({ do: fc.constant('add' as const), which: fc.nat(shelf.length - 1) }),
  fc.record({ do: fc.constant('remove' as const), at: fc.nat(20) }),
  fc.record({ do: fc.constant('replace' as const), at: fc.nat(20), which: fc.nat(shelf.length - 1) }),
  fc.record({ do: fc.constant('insert' as const), at: fc.nat(20), which: fc.nat(shelf.length - 1) }),
)

const pick = <T>(list: readonly T[], at: number) => (list.length === 0 ? undefined : list[at % list.length])

function apply(edited: Edited, step: typeof act extends fc.Arbitrary<infer A> ? A : never, id: string): Edited {
  const own = Object.keys(edited.loop.chain.devices)
  if (step.do === 'add') return addDevice(edited, shelf[step.which]!, id)
  if (step.do === 'remove') {
    const device = pick(own, step.at)
    return device ? removeDevice(edited, device) : edited
  }
  if (step.do === 'replace') {
    const device = pick([...own, ...Object.keys(edited.job.devices)], step.at)
    return device ? replaceDevice(edited, device, shelf[step.which]!) : edited
  }
  const connection = pick(Object.keys(edited.loop.chain.connections), step.at)
  const device = shelf[step.which]!
  if (!connection) return edited
  try {
    return insertDevice(edited, connection, device, id)
  } catch (error) {
    // Refused: no relay or limiter, or no line.
    expect(error).toBeInstanceOf(RangeError)
    return edited
  }
}

let plans = 0
const built = (steps: readonly Parameters<typeof apply>[1][], from: Edited) =>
  steps.reduce(
    (edited, step, i) => withDefaultPlans(apply(edited, step, `d${i}`), fieldData, () => `p${++plans}`),
    from,
  )
/** From nothing, from the whole floor, or from two outputs. */
const starts = [surveyedFloor(), plannedFloor(), plannedFloor(twoOutputs)]
const anyChain = fc
  .tuple(fc.array(act, { minLength: 1, maxLength: 12 }), fc.constantFrom(...starts))
  .map(([steps, from]) => built(steps, from))
const runs = { numRuns: 150 }

describe('whatever is done to a chain', () => {
  it('each input is fed once, and nothing hangs on what is gone', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const all = { ...job.devices, ...loop.chain.devices }
        const fed = Object.values(loop.chain.connections).map(({ to }) => `${to.device}.${to.port}`)
        expect(new Set(fed).size).toBe(fed.length)
        for (const { from, to } of Object.values(loop.chain.connections))
          for (const end of [from, to]) expect(job.profiles[all[end.device]!.profile]!.ports[end.port]).toBeDefined()
      }),
      runs,
    ))
  it('designations are never given twice', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const tags = Object.values({ ...job.devices, ...loop.chain.devices }).map(({ tag }) => tag)
        expect(new Set(tags).size).toBe(tags.length)
      }),
      runs,
    ))
  it('the wire list names terminals that are there, each wire once, numbered without a gap', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const { rows, chain } = loopContext(job, loop, fieldData)
        expect(new Set(rows.map(({ id }) => id)).size).toBe(rows.length)
        expect(rows.map(({ number }) => number)).toEqual(rows.map((_, i) => i + 1))
        for (const { from, to } of rows)
          for (const end of [from, to])
            expect(
              end.terminal.startsWith('screen.') ||
                chain.devices.find(({ id }) => id === end.device)!.facts.terminals[end.terminal] !== undefined,
            ).toBe(true)
      }),
      runs,
    ))
  it('a supply never lands on a pair of terminals for another voltage', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const { rows, chain } = loopContext(job, loop, fieldData)
        for (const { fromDevice, fromPort, toDevice, toPort } of chain.connections) {
          if (fromPort.kind !== 'supply-out' || toPort.kind !== 'supply-in') continue
          const wrong = Object.values(toPort.variants).filter(
            ({ lowV, highV }) => fromPort.volts < lowV || fromPort.volts > highV,
          )
          // A neutral may serve several voltages; what the right pair uses is no wrong terminal.
          const right = supplyVariant(fromPort, toPort.variants)
          for (const { line, neutral } of wrong)
            for (const terminal of [line, neutral].filter((t) => t !== right?.line && t !== right?.neutral))
              expect(
                rows
                  .filter(
                    ({ from, to }) =>
                      from.device === fromDevice.id && to.device === toDevice.id && to.terminal === terminal,
                  )
                  .filter(({ role }) => role === 'line' || role === 'neutral').length,
              ).toBe(0)
        }
      }),
      runs,
    ))
  it('every planned output draws a path with its own controller, and every line ends', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const { chain } = loopContext(job, loop, fieldData)
        for (const plan of Object.values(loop.settings.planned))
          expect(outputPath(chain, plan).controller?.id).toBe(plan.output.device)
        for (const { contacts } of powerPaths(chain)) expect(contacts.length).toBeLessThan(20)
      }),
      runs,
    ))
  it('heat without a limiter is always a stop', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const context = loopContext(job, loop, fieldData)
        const bare = powerPaths(context.chain).filter(
          (line) =>
            ['element', 'fuel', 'water-flow'].includes(line.loadPort.does) &&
            limitersOf(context.chain, line).length === 0 &&
            !ownProtection(line.load.facts),
        )
        const stops = checkLoop(context)
          .open.filter(({ code }) => code === 'C013_NO_LIMITER' || code === 'C018_LIMITER_NOT_INDEPENDENT')
          .map(({ about }) => about)
        for (const { load } of bare) expect(stops).toContain(load.id)
        if (bare.length > 0)
          expect(signingBlockedBy(context).join(' ')).toMatch(/No independent limiter|only takes the command/)
      }),
      runs,
    ))
  it('everything derived from it is told without an error, each verdict with its reason', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const context = loopContext(job, loop, fieldData)
        for (const { reason, verdict, remedy } of context.judgedConnections) {
          expect(reason.length).toBeGreaterThan(10)
          if (verdict !== 'fits') expect(remedy).toBeTruthy()
        }
        for (const { head, reason, remedy } of checkLoop(context).open)
          for (const words of [head, reason, remedy]) {
            expect(words.length).toBeGreaterThan(5)
            expect(words).not.toMatch(/undefined|NaN|null|\[object/)
          }
        expect(stepStatus(context)).toHaveLength(7)
        expect(nextThing(context).what).toBeTruthy()
        for (const { rows } of keyingSheet(context))
          for (const { planned } of rows) expect(planned).not.toMatch(/NaN|undefined/)
        for (const plan of switchingPlans(loop.settings.planned)) {
          for (const { value } of consequences(plan, context))
            expect(value === null || Number.isFinite(value)).toBe(true)
          probeFailures(plan, context.chain, context.survey)
        }
      }),
      runs,
    ))
  it('is told to the log by changes that lead there and back', () =>
    fc.assert(
      fc.property(anyChain, anyChain, (a, b) => {
        const change = [...changesBetween('job', a.job, b.job), ...changesBetween('loop', a.loop, b.loop)]
        const made = applyCommand({ job: a.job, loop: a.loop }, { change })
        expect(made.ok && sameValue(made.documents['loop'], b.loop) && sameValue(made.documents['job'], b.job)).toBe(
          true,
        )
      }),
      runs,
    ))
  it('runs for an hour where there is anything to run', () =>
    fc.assert(
      fc.property(anyChain, ({ job, loop }) => {
        const context = loopContext(job, loop, fieldData)
        const { scenario } = loopScenario(context, context.survey!, { hourlyC: winterDay(-10), days: 1 })
        if (scenario.controls.length === 0) return
        const { summary } = simulate({ ...scenario, durationS: 3600 })
        for (const value of Object.values(summary.meanC)) expect(Number.isFinite(value)).toBe(true)
        for (const kwh of Object.values(summary.energyKwh)) expect(kwh).toBeGreaterThanOrEqual(-1e-9)
      }),
      { numRuns: 40 },
    ))
})
