import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { startChain } from '../actions/startChain'
import { goesAgainst } from '../device/goesWith'
import { factsOfKind, loopKinds } from '../kinds/kinds'
import { isAsked } from '../kinds/question'
import { loopContext } from '../loop/context'
import { plansOf } from '../settings/behaviour'
import { atHand, supplyOutOf } from '../survey/atHand'
import { fieldData } from '../testing/fieldData'
import { hand } from '../testing/hand'
import { randomSurvey } from '../testing/randomSurvey'
import { controlOutputs, reachOf } from '../wiring/reach'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'

/** Surveys of each kind; more for a hunt: `NACHTIGAL_PROPOSALS=40 NACHTIGAL_SEED=7 npm run unit`. */
const EACH = Number(process.env['NACHTIGAL_PROPOSALS'] ?? 4)

/** What stops a job by its answers alone, whatever its chain is: the finding says which. */
const byAnswers: ReadonlySet<string> = new Set([
  // The surface that the room would need, the liquid that freezes, the return that rots the boiler.
  'C025_SURFACE_OVER_LIMIT',
  'C047_FREEZE_MARGIN',
  'C048_RETURN_UNDER_DEW_POINT',
  // A fan that was answered to be on or off, where animals or people live on its air.
  'C104_FAN_MAY_STAND',
])

/**
 * Stops that stand because the shelf has no device that would do: a proportioned controller with a separated input for where it is washed
 * down, a flow switch for touched water or a relay for one where the circuit is 240 V.
 */
const noneOnTheShelf: ReadonlySet<string> = new Set(['C053_PROBE_NOT_SAFE', 'C135_MAINS_IN_TOUCHED_WATER'])

const open = ({ job, loop }: Edited) => checkLoop(loopContext(job, loop, fieldData)).open
const said = (edited: Edited) =>
  `${edited.job.practice} ${JSON.stringify(edited.loop.survey.answers)}: ${open(edited)
    .map(({ code, head }) => `${code} ${head}`)
    .join(' | ')}`

describe.each(loopKinds)('a proposed chain of a random survey: %s', (kind) => {
  it('is fed, joined, of what was answered, or says by name what it does not follow', () => {
    fc.assert(
      fc.property(randomSurvey(kind), (edited) => {
        const made = startChain.run(edited, {}, hand)
        const { chain, loop } = loopContext(made.job, made.loop, fieldData)
        const findings = open(made)
        const codes = new Set(findings.map(({ code }) => code))
        const about = (code: string) => findings.filter((each) => each.code === code).map((each) => each.about)
        // The survey is what it was: nobody answers but whoever was asked.
        expect(loop.survey.answers).toEqual(edited.loop.survey.answers)
        // Fed, and from what is there; what is not there is named.
        const supplies = chain.devices.filter(({ facts }) => facts.category === 'supply')
        if (supplies.length === 0) throw new Error(`no supply: ${said(made)}`)
        for (const code of ['C004_NO_SUPPLY', 'C006_LINE_NOT_FED', 'C008_NOT_FED', 'C010_DOES_NOT_FIT'] as const)
          if (codes.has(code)) throw new Error(`${code}: ${said(made)}`)
        for (const { id, facts } of supplies)
          if (supplyOutOf(facts) && !atHand(loop.survey.answers, facts)) expect(about('C144_NOT_AT_HAND')).toContain(id)
        // Every load hangs on an output, every guard and probe is joined.
        const reached = new Set(
          chain.devices.flatMap((device) =>
            Object.keys(device.facts.ports).flatMap((port) =>
              reachOf(chain, { device: device.id, port }).map((reach) => reach.device.id),
            ),
          ),
        )
        const joined = new Set(chain.connections.flatMap(({ from, to }) => [from.device, to.device]))
        for (const { id, tag, facts } of chain.devices) {
          if (facts.category === 'load' && !facts.load?.alarm && !reached.has(id))
            throw new Error(`${tag} hangs on nothing: ${said(made)}`)
          if (['limiter', 'permissive', 'probe'].includes(facts.category) && !joined.has(id))
            throw new Error(`${tag} is joined to nothing: ${said(made)}`)
        }
        // Of the sort that was answered, or named.
        const [first] = plansOf(loop.settings.planned)
        const device = chain.devices.find(({ id }) => id === first?.output.device)
        for (const port of device ? controlOutputs(device) : [])
          for (const { device: load } of reachOf(chain, { device: device!.id, port })) {
            const against = goesAgainst(load.facts, loop.survey.answers)
            const question = factsOfKind(kind).questions.find(({ id }) => id === against)
            if (question && isAsked(question, loop.survey.answers))
              expect(about('C148_OTHER_THAN_ANSWERED')).toContain(load.id)
          }
        // By the way of control that was chosen.
        if (loop.survey.answers['way'] === 'swing') expect(first?.kind).toBe('on-off')
        if (loop.survey.answers['way'] === 'proportioned') expect(first?.kind).toBe('band')
        // Keyed as it is planned, within what the device takes.
        for (const code of [
          'C020_SETPOINT_OUTSIDE_LIMITS',
          'C021_SWING_WIDER_THAN_LIMITS',
          'C095_CANNOT_BE_KEYED',
          'C099_STAGE_DRIVES_NOTHING',
        ] as const)
          if (codes.has(code)) throw new Error(`${code}: ${said(made)}`)
        // One power.
        if (codes.has('C143_POWERS_DIFFER')) throw new Error(`two powers: ${said(made)}`)
        const stops = findings.filter(
          ({ severity, code }) => severity === 'stop' && !byAnswers.has(code) && !noneOnTheShelf.has(code),
        )
        if (stops.length > 0) throw new Error(`stops: ${said(made)}`)
      }),
      { numRuns: EACH, endOnFailure: true },
    )
  })
})
