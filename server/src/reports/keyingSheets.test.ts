import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import Papa from 'papaparse'
import request from 'supertest'
import { loopContext } from '@nachtigal/core/loop/context'
import type { LoopDocument, Reading } from '@nachtigal/core/document/documents'
import { keyingSheet } from '@nachtigal/core/commissioning/keyingSheet'
import { demoFile, testServer } from '../testing'
import { readShelf } from '../readShelf'
import { asLeftSheet } from './asLeftSheet'
import { keyingCsv, keyingPdf } from './keyingSheets'

const { data } = readShelf(new URL('../../../shelf', import.meta.url).pathname)
const file = demoFile()
const loops = Object.values(file.loops)
const contextOf = (loop: LoopDocument) => loopContext(file.job, loop, data, file.job, loops)
const stamp = { printedAt: '2026-10-20T08:00:00Z', hash: 'abc' }
const texts = (sheet: object) => JSON.stringify(sheet).replace(/"\},\{"text":"/g, '')

let server: Awaited<ReturnType<typeof testServer>>
beforeAll(async () => {
  server = await testServer()
  await request(server.app).post('/api/import').send(file).expect(201)
})
afterAll(() => server.close())
const pathOf = (loop: LoopDocument, what: string) => `/api/jobs/${file.job.id}/loops/${loop.id}/${what}`

/** A loop whose first controller was left at a value, for a reason. */
function leftAt(loop: LoopDocument, text: string, why?: string): LoopDocument {
  const [{ device, rows }] = keyingSheet(contextOf(loop)) as [ReturnType<typeof keyingSheet>[number]]
  const row = rows.find(({ quantity }) => quantity === 'temperature')!
  const reading: Reading = {
    text,
    unit: '°C',
    state: 'value',
    value: 1,
    at: stamp.printedAt,
    by: 'Ann',
    ...(why ? { why } : {}),
  }
  return { ...loop, settings: { ...loop.settings, asLeft: { [device.id]: { [row.code]: reading } } } }
}

describe('the keying sheet of every demo loop', () => {
  it.each(loops.map((loop) => [loop.name, loop] as const))(
    '%s: a line for each parameter, in the order of keying',
    (_, loop) => {
      const { data: cells, errors } = Papa.parse<string[]>(
        keyingCsv(contextOf(loop))
          .replace(/^\ufeff/, '')
          .trim(),
      )
      const rows = keyingSheet(contextOf(loop)).flatMap((sheet) => sheet.rows)
      expect(errors).toEqual([])
      expect(cells.slice(1).map((cell) => cell[2])).toEqual(rows.map(({ code }) => code))
      // A minus is no formula, and is marked all the same: table programs take it for one.
      expect(cells.slice(1).map((cell) => cell[4]!.replace(/^'/, ''))).toEqual(rows.map(({ planned }) => planned))
      for (const cell of cells.slice(1)) expect(cell[1]).not.toBe('')
    },
  )
  it.each(loops.map((loop) => [loop.name, loop] as const))('%s: prints', async (_, loop) => {
    const { body, headers } = await request(server.app)
      .get(pathOf(loop, 'keying.pdf'))
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = []
        res.on('data', (part: Buffer) => parts.push(part))
        res.on('end', () => done(null, Buffer.concat(parts)))
      })
      .expect(200)
    expect(headers['content-type']).toContain('application/pdf')
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-')
    const printed = texts(keyingPdf(contextOf(loop), stamp))
    for (const { rows } of keyingSheet(contextOf(loop))) for (const { code } of rows) expect(printed).toContain(code)
  })
})

describe('what was left otherwise', () => {
  const [floor] = loops as [LoopDocument]
  it('is printed with its reason, on both sheets', () => {
    const left = leftAt(floor, '21.0', 'The owner sleeps there.')
    for (const sheet of [keyingPdf, asLeftSheet])
      expect(texts(sheet(contextOf(left), stamp))).toContain('The owner sleeps there.')
  })
  it('does not become a formula', () => {
    const csv = keyingCsv(contextOf(leftAt(floor, '21.0', '=1+1')))
    expect(csv).toContain('left so: =1+1')
    expect(csv).not.toMatch(/(^|,)"?=/m)
  })
  it('a loop that is none is told as such', () =>
    request(server.app)
      .get(pathOf({ ...floor, id: 'none' } as LoopDocument, 'keying.csv'))
      .expect(404))
})
