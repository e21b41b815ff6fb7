import { describe, expect, it } from '@jest/globals'
import { loopContext } from '@nachtigal/core/loop/context'
import { type LoopDocument } from '@nachtigal/core/document/documents'
import { loopKinds } from '@nachtigal/core/kinds/kinds'
import { loopFacts, sayFact } from '@nachtigal/core/loop/facts'
import { practices, soundIn } from '@nachtigal/core/testing/usChains'
import { demoFile, testServer } from '../testing'
import { asLeftSheet } from './asLeftSheet'
import { ownersPage, panelCard } from './ownerSheets'
import { safetySheet } from './safetySheet'
import type { Stamp } from './sheetParts'
import { testSheet } from './testSheet'

const file = demoFile()
const stamp: Stamp = { printedAt: '2026-03-01T10:00:00Z', hash: 'ab'.repeat(32) }
const server = await testServer()
await server.close()

/** Every text of a sheet, in order. */
function textOf(node: unknown): string {
  if (typeof node === 'string') return node
  if (Array.isArray(node)) return node.map(textOf).join(' ')
  if (node === null || typeof node !== 'object') return ''
  const { text, stack, table, content, columns } = node as Record<string, unknown>
  const body = (table as { body?: unknown } | undefined)?.body
  return [content, text, stack, body, columns].map(textOf).join(' ')
}
const contextOf = (loop: LoopDocument, unit: 'C' | 'F' = 'C') => {
  const job = { ...file.job, temperatureUnit: unit }
  return loopContext(job, loop, server.shelf.data, job, Object.values(file.loops))
}
const sheets = { ownersPage, panelCard, testSheet, safetySheet, asLeftSheet }
const every = Object.values(file.loops).flatMap((loop) =>
  Object.entries(sheets).map(([name, make]) => [loop.name, name, loop, make] as const),
)

/** Every cell of a sheet that tells a fact of the loop: which, and in which words. */
function factsIn(node: unknown): readonly (readonly [fact: string, text: string])[] {
  if (Array.isArray(node)) return node.flatMap(factsIn)
  if (node === null || typeof node !== 'object') return []
  const { fact, ...parts } = node as Record<string, unknown>
  return typeof fact === 'string' ? [[fact, textOf(node)]] : Object.values(parts).flatMap(factsIn)
}

describe('sheets of the demo job', () => {
  it.each(every)('%s, %s: no hole in its text, in its own unit alone', (_, __, loop, make) => {
    for (const unit of ['C', 'F'] as const) {
      const text = textOf(make(contextOf(loop, unit), stamp))
      expect(text.length).toBeGreaterThan(200)
      expect(text).not.toMatch(/undefined|NaN|\[object|\{[^}]*\}/)
      // A unit of a table's column or of a sentence; what was typed on site in the other one stays as typed.
      const other = unit === 'C' ? /\d\u00a0°F/ : /\d\u00a0°C/
      expect(text).not.toMatch(other)
    }
  })
  it.each(Object.values(file.loops).map((loop) => [loop.name, loop] as const))(
    'the as-left sheet of %s tells each fact as every step does, in both units',
    (_, loop) => {
      for (const unit of ['C', 'F'] as const) {
        const context = contextOf(loop, unit)
        const told = factsIn(asLeftSheet(context, stamp))
        const facts = loopFacts(context)
        expect(told.length).toBeGreaterThan(context.survey ? 3 : -1)
        for (const [id, text] of told) {
          const fact = facts.get(id)
          expect([id, text.replace(/\s+/g, ' ').trim().split(',')[0]]).toEqual([
            id,
            fact && sayFact(fact, context.words).replace(/\s+/g, ' '),
          ])
        }
      }
    },
  )
  const floor = Object.values(file.loops).find(({ name }) => name === 'Hatchling floor')!
  it('the card says what may be turned, what an alarm means, whom to call, when the next test is', () => {
    const signed = { by: 'Ann', at: '2026-03-01T10:00:00Z', instrument: 'Ermine' }
    const loop = { ...floor, handover: { signed, retest: '2027-03-01', call: 'Ilse Farn, 555 0117' } }
    const text = textOf(panelCard(contextOf(loop), stamp))
    for (const part of [
      'You may turn',
      'Set',
      'Dipper shows brk',
      'Do not reset it',
      'Ilse Farn, 555 0117',
      'Next test 2027-03-01',
    ])
      expect(text).toContain(part)
  })
  it('the card of a loop that is not handed over says so', () =>
    expect(textOf(panelCard(contextOf(floor), stamp))).toContain('Not handed over yet.'))
  it('the test sheet says what to dial and what should be read; the as-left sheet what was read and with what', () => {
    const text = textOf(testSheet(contextOf(floor), stamp))
    expect(text).toMatch(/Rise and fall/)
    expect(text).toMatch(/28\.0\u00a0°C \u00b1 0\.5\u00a0K/)
    expect(text).toMatch(/ohm/)
    // What can hurt in this loop stands above the first test.
    expect(text).toMatch(/Mains\. Locked off and proved dead[\s\S]*Commanded\? Answered\?/)
    const left = textOf(asLeftSheet(contextOf(floor), stamp))
    expect(left).toContain('Ermine, reference thermometer')
    expect(left).toContain('Tests that were not made')
  })
  it.each(practices.flatMap((practice) => loopKinds.map((kind) => [practice, kind] as const)))(
    'the safety steps of %s practice, %s: locked off before dead, dead before live, put back before power',
    (practice, kind) => {
      const { job, loop } = soundIn(practice, kind)
      const text = textOf(safetySheet(loopContext(job, loop, server.shelf.data, job), stamp))
      expect(text).not.toMatch(/undefined|NaN|\[object/)
      const at = (words: RegExp) => text.search(words)
      const order = [/1 Isolate and prove dead/, /2 Dead tests, earth first/, /3 First live, in rounds/].map(at)
      expect(order[0]).toBeGreaterThanOrEqual(0)
      expect(order).toEqual([...order].sort((a, b) => a - b))
      expect(at(/Try the tester on a known source/)).toBeLessThan(at(/ dead, /))
      expect(text.slice(order[2]).search(/An authorised person switches on/)).toBeGreaterThan(0)
    },
  )
  it('the safety steps carry what was read and what can hurt, and say when first live is shut', () => {
    const text = textOf(safetySheet(contextOf(floor), stamp))
    expect(text).toMatch(/0 V/)
    expect(text).toMatch(/Mains\. Locked off and proved dead/)
    const pool = Object.values(file.loops).find(({ name }) => name === 'Seal pool')!
    expect(textOf(safetySheet(contextOf(pool), stamp))).toMatch(/Shut: \d+ things keep it closed\./)
  })
  it('an instrument that was out of date is said', () => {
    const instruments = Object.fromEntries(
      Object.entries(file.job.instruments).map(([id, each]) => [id, { ...each, due: '2020-01-01' }]),
    )
    const job = { ...file.job, instruments }
    const text = textOf(asLeftSheet(loopContext(job, floor, server.shelf.data, job), stamp))
    expect(text).toContain('check was due')
  })
  it('long names and hostile text stay text', () => {
    const name = `${'Very long name of a loop '.repeat(3)}<script>`.slice(0, 80).trim()
    for (const make of Object.values(sheets)) expect(textOf(make(contextOf({ ...floor, name }), stamp))).toContain(name)
  })
})
