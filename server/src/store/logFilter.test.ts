import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { emptyLoop } from '@nachtigal/core/job/documents'
import type { LogRow } from '@nachtigal/core/job/command'
import { logCsv } from '../reports/logCsv'
import { logFilter, rowText } from './logFilter'
import { photoType } from './photoType'

const state = {
  preferences: { temperatureUnit: 'F', system: 'us' } as const,
  loops: { l: emptyLoop('l', 'j', 'floor', 'Warm floor', 1) },
}
const row = (change: Partial<LogRow['command']['change'][number]>, more: Partial<LogRow['command']> = {}): LogRow => ({
  ...{ sequence: 1, receivedAt: '2026-03-01T10:00:00Z', previousHash: '0', hash: 'ab' },
  command: {
    ...{ id: 'c', jobId: 'j', loopId: 'l', baseRevision: 0, at: '2026-03-01T10:00:00Z', by: 'Ilse Farn' },
    change: [{ document: 'l', path: ['survey', 'answers', 'target'], from: 20, to: 25, ...change }],
    ...more,
  },
})

describe('looking through the log', () => {
  it.each([
    ['what it is about', { words: 'target' }, true],
    ['a figure in the job\u2019s own unit', { words: '77.0' }, true],
    ['who and which loop', { words: 'ilse warm' }, true],
    ['every word, not any', { words: 'target zebra' }, false],
    ['the loop', { loop: 'l' }, true],
    ['another loop', { loop: 'other' }, false],
    ['the kind', { kind: 'survey' }, true],
    ['another kind', { kind: 'notes' }, false],
    ['who exactly', { by: 'Ilse' }, false],
    ['nothing asked', {}, true],
  ] as const)('%s', (_, wanted, fits) => expect(logFilter(state, wanted)(row({}))).toBe(fits))
  it('finds why it was done, and what was taken back', () => {
    const undone = row({}, { why: 'Owner was cold', undoes: 'x' })
    expect(rowText(state, undone)).toContain('Owner was cold')
    expect(logFilter(state, { words: 'taken back' })(undone)).toBe(true)
  })
  it('takes any words for words', () => {
    fc.assert(
      fc.property(fc.string(), (words) => {
        expect(typeof logFilter(state, { words })(row({}))).toBe('boolean')
      }),
    )
  })
})

describe('the log as CSV', () => {
  it('makes no cell a formula, whatever is written into it', () => {
    fc.assert(
      fc.property(fc.constantFrom('=', '+', '-', '@', '\t='), fc.string({ maxLength: 20 }), (start, rest) => {
        const note = { order: 1, text: `${start}${rest}`, at: '2026-03-01T10:00:00Z', by: 'Ann' }
        const csv = logCsv(state, [row({ path: ['notes', 'n'], from: null, to: note })])
        const cells = csv.split(/,/).map((cell) => cell.replace(/^"/, ''))
        expect(cells.filter((cell) => cell.startsWith(`${start}${rest}`) && start !== '\t=')).toEqual([])
      }),
    )
  })
})

describe('a picture by its own bytes', () => {
  it.each([
    ['JPEG', [0xff, 0xd8, 0xff, 0xe0], 'image/jpeg'],
    ['PNG', [0x89, 0x50, 0x4e, 0x47, 0x0d, 0x0a, 0x1a, 0x0a], 'image/png'],
    ['WebP', [0x52, 0x49, 0x46, 0x46, 1, 2, 3, 4, 0x57, 0x45, 0x42, 0x50], 'image/webp'],
    ['SVG', [...Buffer.from('<svg onload=alert(1)>')], undefined],
    ['another RIFF', [0x52, 0x49, 0x46, 0x46, 1, 2, 3, 4, 0x57, 0x41, 0x56, 0x45], undefined],
    ['nothing', [], undefined],
  ] as const)('%s', (_, bytes, type) => expect(photoType(new Uint8Array(bytes))).toBe(type))
})
