import { describe, expect, it } from '@jest/globals'
import { loopContext } from '@nachtigal/core/loop/context'
import { readShelf } from '../readShelf'
import { settingsFrom } from '../startServer'
import { demoFile } from '../testing'
import { asLeftSheet } from './asLeftSheet'
import { keyingPdf } from './keyingSheets'
import { ownersPage } from './ownerSheets'
import { createPdfRenderer } from './renderPdf'
import { safetySheet } from './safetySheet'
import { testSheet } from './testSheet'
import { labelsSheet } from './wireSheets'

const path = (to: string) => new URL(to, import.meta.url).pathname
const { data } = readShelf(path('../../../shelf'))
const file = demoFile()
const [loop] = Object.values(file.loops)
const context = loopContext(file.job, loop!, data, file.job, Object.values(file.loops))
const stamp = { printedAt: '2026-01-05T08:00:00.000Z', hash: 'abc' }
const address = `https://bench.example/jobs/${file.job.id}/loops/${loop!.id}`

/** Every code in a definition of a sheet. */
const codesOf = (value: unknown): string[] =>
  typeof value !== 'object' || value === null
    ? []
    : [...('qr' in value ? [String(value.qr)] : []), ...Object.values(value).flatMap((each) => codesOf(each))]

describe('codes on sheets', () => {
  it.each([
    ['as-left sheet', asLeftSheet, 'hand-over'],
    ['test sheet', testSheet, 'prove'],
    ['safety steps', safetySheet, 'wire/dead'],
    ['keying sheet', keyingPdf, 'set/keying'],
  ])('the %s leads to its step', (_, make, step) => {
    expect(codesOf(make(context, { ...stamp, address }))).toEqual([`${address}/${step}`])
    expect(codesOf(make(context, stamp))).toEqual([])
  })
  it('each label of a wire leads to that wire', () => {
    const codes = codesOf(labelsSheet(context, { ...stamp, address }))
    expect(codes).toHaveLength(2 * context.rows.length)
    expect(codes[0]).toBe(`${address}/wire/${encodeURIComponent(context.rows[0]!.id)}`)
    expect(codesOf(labelsSheet(context, stamp))).toEqual([])
  })
  it('the owner gets no way into the bench', () => {
    expect(codesOf(ownersPage(context, { ...stamp, address }))).toEqual([])
  })
  it('are printed', async () => {
    const render = createPdfRenderer(path('../../../node_modules'))
    const [plain, coded] = await Promise.all(
      [stamp, { ...stamp, address }].map((each) => render(labelsSheet(context, each))),
    )
    expect(coded!.length).toBeGreaterThan(plain!.length + 1000)
  })
})

describe('the address that codes are built on', () => {
  const settings = (text: string | undefined) => {
    const before = process.env['NACHTIGAL_ADDRESS']
    if (text === undefined) delete process.env['NACHTIGAL_ADDRESS']
    else process.env['NACHTIGAL_ADDRESS'] = text
    try {
      return settingsFrom(path('../../..'), false).baseAddress
    } finally {
      if (before === undefined) delete process.env['NACHTIGAL_ADDRESS']
      else process.env['NACHTIGAL_ADDRESS'] = before
    }
  }
  it.each([
    [undefined, undefined],
    ['https://bench.example', 'https://bench.example'],
    ['https://bench.example/heat/', 'https://bench.example/heat'],
    ['http://192.168.7.20:4310', 'http://192.168.7.20:4310'],
  ])('%s gives %s', (text, address) => {
    expect(settings(text)).toBe(address)
  })
  it.each(['bench.example', 'javascript:alert(1)', 'https://bench.example/?a=b', `https://${'x'.repeat(300)}.example`])(
    '%s is refused by name',
    (text) => {
      expect(() => settings(text)).toThrow('NACHTIGAL_ADDRESS')
    },
  )
})
