import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import { loopKinds } from '../kinds/kinds'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { FOREIGN_WORDS } from '../testing/foreignWords'
import { METRIC_FIGURE } from '../testing/metricFigure'
import { ruleCases as cases } from '../testing/ruleCases'
import { type Practice, practices } from '../units/practice'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'
import { loopContext } from '../loop/context'

const findings = ({ job, loop }: Edited) => checkLoop(loopContext(job, loop, fieldData)).open
const codesOf = (edited: Edited) => findings(edited).map(({ code }) => code)

/** Rules about what one practice has and another has not. */
const ofOnePractice = new Set([
  // Ground-fault protection: by a residual-current device of 30 mA, or of Class A and up to 150 V to ground.
  ...['C067_NO_RESIDUAL_DEVICE', 'C139_GROUND_FAULT_REFER'],
  // European devices and mains, met elsewhere.
  ...['C156_OTHER_PRACTICE', 'C157_MAINS_OF_OTHER_PRACTICE'],
])
/** A case keeps its European circuits in any practice: what they give is what they give. */
const withoutVolts = (text: string) => text.replace(/\b(?:230|400)[ \u00a0]V\b/g, '')

describe('every rule', () => {
  const written = readdirSync(new URL('./rules', import.meta.url)).flatMap((file) => [
    ...readFileSync(new URL(`./rules/${file}`, import.meta.url), 'utf8').matchAll(/'(C\d{3}_[A-Z_]+)'/g),
  ])
  const codes = [...new Set([...written.map(([, code]) => code!), 'C050_TEST_FAILED'])].sort()
  it('has a case that trips it and one that does not', () => expect(Object.keys(cases).sort()).toEqual(codes))
  it('has a number of its own', () => expect(new Set(codes.map((code) => code.slice(0, 4))).size).toBe(codes.length))
  it.each(Object.entries(cases))('%s trips', (code, [trips]) => expect(codesOf(trips())).toContain(code))
  const told = (code: string, practice: Practice) => {
    const { job, loop } = cases[code]![0]()
    const units = practice === 'us' ? ({ temperatureUnit: 'F', system: 'us' } as const) : {}
    return findings({ job: { ...job, ...units, practice }, loop }).filter((each) => each.code === code)
  }
  it.each(Object.keys(cases).filter((code) => !ofOnePractice.has(code)))('%s trips in each practice', (code) => {
    for (const practice of practices) expect([practice, told(code, practice).length > 0]).toEqual([practice, true])
  })
  it.each(Object.keys(cases))('%s is told in the words and units of each practice', (code) => {
    for (const practice of ['uk', 'us'] as const)
      for (const { head, reason, remedy } of told(code, practice))
        for (const text of [head, reason, remedy].map(withoutVolts)) {
          expect(text).not.toMatch(FOREIGN_WORDS[practice])
          if (practice === 'us') expect(text).not.toMatch(METRIC_FIGURE)
        }
  })
  it.each(Object.entries(cases))('%s does not trip on what is sound', (code, [, passes]) =>
    expect(codesOf(passes())).not.toContain(code),
  )
  it.each(Object.entries(cases))('%s is told whole, with what to do next', (code, [trips]) => {
    const found = findings(trips()).filter((each) => each.code === code)
    for (const { head, reason, remedy, severity, safety } of found) {
      for (const words of [head, reason, remedy]) {
        expect(words.length).toBeGreaterThan(5)
        expect(words).not.toMatch(/undefined|NaN|null|\[object|[{}]/)
        expect(words.trim()).toMatch(/[.!?]$/)
      }
      if (severity === 'stop') expect(safety).toBe(true)
    }
  })
})

describe('the sound chain of each kind', () => {
  it.each(loopKinds)('%s has no stop', (kind) =>
    expect(findings(chained(kind)).filter(({ severity }) => severity === 'stop')).toEqual([]),
  )
  it.each(loopKinds)('%s has every connection fit', (kind) => {
    const { job, loop } = chained(kind)
    expect(loopContext(job, loop, fieldData).judgedConnections.filter(({ verdict }) => verdict !== 'fits')).toEqual([])
  })
})
