import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import { isLocked } from '../document/handover'
import { proofTests, settled } from '../commissioning/proofTests'
import { signingBlockedBy } from '../progress/stepStatus'
import { stepHazardIds, stepHazards } from '../commissioning/stepHazards'
import { fieldData } from '../testing/fieldData'
import { demoLoops, safetyPage } from '../testing/safetyPage'
import { soundIn } from '../testing/usChains'
import { loopKinds } from '../kinds/kinds'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'
import { loopContext } from '../loop/context'

/** Demo jobs as they are to be. */
const sound = ['otterholm', 'juniper-hollow', 'otterholm-outpost'] as const

const contextOf = ({ job, loop }: Edited) => loopContext(job, loop, fieldData)

describe('docs/safety.md', () => {
  it('is what the rules and steps say: run `npm run reference` when this fails', () => {
    const page = safetyPage()
    expect(page).not.toMatch(/undefined|\[object|NaN/)
    expect(readFileSync(new URL('../../../docs/safety.md', import.meta.url), 'utf8')).toBe(page)
  })
})

describe('steps against hazards', () => {
  const loops = [
    ...sound.flatMap((file) => demoLoops(file).map((edited) => [edited.loop.name, edited] as const)),
    ...loopKinds.map((kind) => [`${kind} in US practice`, soundIn('us', kind)] as const),
  ]
  it.each(loops)('%s: every cell is held here, by an earlier step, or empty with a reason', (_, edited) => {
    const rows = stepHazards(contextOf(edited))
    expect(rows.length).toBeGreaterThan(20)
    for (const [i, { step, held }] of rows.entries())
      for (const id of stepHazardIds) {
        const cell = held[id]
        if ('none' in cell) expect(cell.none.length).toBeGreaterThan(10)
        else {
          expect(cell.says.length).toBeGreaterThan(3)
          if (cell.by !== 'here') {
            const at = rows.findIndex(({ step: each }) => each.id === cell.by)
            expect(at).toBeGreaterThanOrEqual(0)
            expect(at).toBeLessThan(i)
            // What is leant on must be done: first live opens without it else, or it belongs to first live itself.
            if (step.block !== 'isolate') expect(rows[at]!.step.must).toBe(true)
          }
        }
      }
  })
  it.each(loops)('%s: what a cell claims of its own step stands in that step', (_, edited) => {
    const claims: Readonly<Record<string, RegExp>> = {
      'discharge afterwards': /Discharge afterwards/,
      'lifted and landed dead, cover closed': /dead: lift .* over closed, power on|dead: lift/,
      'off, locked, tagged': /off, locked|fuse out|Its own switch is off, locked/i,
      'each bridge on the temporary list': /temporary list|lifted|500 V/,
      'opened by its own cause, no bridge': /No bridge|First without flow/,
      'waited out and measured': /[Ww]ait|charge|label/,
    }
    for (const { step, held } of stepHazards(contextOf(edited)))
      for (const cell of Object.values(held))
        if (!('none' in cell) && cell.by === 'here' && claims[cell.says])
          expect(`${step.title} ${step.doing} ${step.should}`).toMatch(claims[cell.says]!)
  })
})

describe('the demo jobs', () => {
  it('Juniper Hollow is eight loops worked to hand-over: all but one are signed, and that one may be', () => {
    const loops = demoLoops('juniper-hollow')
    expect(loops).toHaveLength(8)
    for (const edited of loops) {
      const context = contextOf(edited)
      expect([edited.loop.name, signingBlockedBy(context)]).toEqual([edited.loop.name, []])
      expect(proofTests(context).filter((test) => !test.spare && !settled(test))).toEqual([])
    }
    expect(loops.filter(({ loop }) => !isLocked(loop)).map(({ loop }) => loop.name)).toEqual(['Butterfly house'])
  })
  it.each(sound)('%s stays sound: no stop, and nothing of safety unanswered', (file) => {
    for (const edited of demoLoops(file))
      expect(
        checkLoop(contextOf(edited))
          .open.filter(({ severity, code }) => severity === 'stop' || code === 'C140_SAFETY_UNANSWERED')
          .map(({ code }) => `${edited.loop.name} ${code}`),
      ).toEqual([])
  })
  it.each([
    ['Hatchling floor', 'C132_SCREED_YOUNG'],
    ['Clinic boiler', 'C048_RETURN_UNDER_DEW_POINT'],
    ['Clinic boiler', 'C140_SAFETY_UNANSWERED'],
    ['Seal pool', 'C134_NOT_BONDED'],
    ['Quarantine room', 'C044_NO_BACKUP'],
  ])('Otterholm as found shows %s: %s', (name, code) => {
    const edited = demoLoops('otterholm-found').find(({ loop }) => loop.name === name)!
    expect(checkLoop(contextOf(edited)).open.map((each) => each.code)).toContain(code)
  })
})
