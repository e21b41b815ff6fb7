import { readdirSync, readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import { loopKinds } from '../kinds/kinds'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { ruleCases as cases } from '../testing/ruleCases'
import type { Edited } from '../wiring/edited'
import { checkLoop } from './checkLoop'
import { loopContext } from '../loop/context'

const findings = ({ job, loop }: Edited) => checkLoop(loopContext(job, loop, fieldData)).open
const codesOf = (edited: Edited) => findings(edited).map(({ code }) => code)

describe('every rule', () => {
  const written = readdirSync(new URL('./rules', import.meta.url)).flatMap((file) => [
    ...readFileSync(new URL(`./rules/${file}`, import.meta.url), 'utf8').matchAll(/'(C\d{3}_[A-Z_]+)'/g),
  ])
  const codes = [...new Set([...written.map(([, code]) => code!), 'C050_TEST_FAILED'])].sort()
  it('has a case that trips it and one that does not', () => expect(Object.keys(cases).sort()).toEqual(codes))
  it('has a number of its own', () => expect(new Set(codes.map((code) => code.slice(0, 4))).size).toBe(codes.length))
  it.each(Object.entries(cases))('%s trips', (code, [trips]) => expect(codesOf(trips())).toContain(code))
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
