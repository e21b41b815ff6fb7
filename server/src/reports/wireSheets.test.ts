import { wordsFor } from '@nachtigal/core/words/words'
import { inflateSync } from 'node:zlib'
import { randomUUID } from 'node:crypto'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import Papa from 'papaparse'
import request from 'supertest'
import type { LoopDocument } from '@nachtigal/core/document/documents'
import { loopContext } from '@nachtigal/core/loop/context'
import { boxOf, overlap, textsOf } from '@nachtigal/core/wiring/picture/picture'
import { svgText } from '@nachtigal/core/wiring/picture/svgText'
import { demoFile, testServer } from '../testing'
import { readShelf } from '../readShelf'
import { safetyBlocks } from '@nachtigal/core/commissioning/safetyBlocks'
import { asLeftSheet } from './asLeftSheet'
import { layPicture } from './layPicture'
import { pictureSheet, wiresSheet } from './wireSheets'
import { wiresCsv } from './wiresCsv'

const { data } = readShelf(new URL('../../../shelf', import.meta.url).pathname)
const file = demoFile()
const loops = Object.values(file.loops)
const contextOf = (loop: LoopDocument) => loopContext(file.job, loop, data, file.job, loops)

let server: Awaited<ReturnType<typeof testServer>>
beforeAll(async () => {
  server = await testServer()
  await request(server.app).post('/api/import').send(file).expect(201)
})
afterAll(() => server.close())

const fetched = (path: string) =>
  request(server.app)
    .get(path)
    .buffer(true)
    .parse((res, done) => {
      const parts: Buffer[] = []
      res.on('data', (part: Buffer) => parts.push(part))
      res.on('end', () => done(null, Buffer.concat(parts)))
    })
/** Content streams of a PDF, unpacked. */
function streams(pdf: Buffer): string {
  const out: string[] = []
  for (let at = pdf.indexOf('stream\n'); at >= 0; at = pdf.indexOf('stream\n', at + 1)) {
    const end = pdf.indexOf('endstream', at)
    try {
      out.push(inflateSync(pdf.subarray(at + 7, end)).toString('latin1'))
    } catch {
      // Not a packed stream.
    }
  }
  return out.join('\n')
}
const pathOf = (loop: LoopDocument, what: string) => `/api/jobs/${file.job.id}/loops/${loop.id}/${what}`

const words = wordsFor({ temperatureUnit: 'C', system: 'metric' })

describe('the picture of every demo loop', () => {
  it.each(loops.map((loop) => [loop.name, loop] as const))(
    '%s: each wire is drawn, no text lies over another',
    async (_name, loop) => {
      const { chain, rows } = contextOf(loop)
      const picture = await layPicture(chain, rows, words)
      expect(picture.wires.map(({ row }) => row.id)).toEqual(rows.map(({ id }) => id))
      const texts = textsOf(picture)
      const clashes = texts.flatMap((a, i) =>
        texts.slice(i + 1).flatMap((b) => (overlap(boxOf(a), boxOf(b)) ? [`${a.text} / ${b.text}`] : [])),
      )
      expect(clashes).toEqual([])
      for (const { points } of picture.wires)
        for (const [i, b] of points.slice(1).entries()) {
          const a = points[i]!
          expect(Math.min(Math.abs(a.x - b.x), Math.abs(a.y - b.y))).toBeLessThan(0.01)
        }
      for (const each of texts) {
        const box = boxOf(each)
        expect(box.x).toBeGreaterThanOrEqual(0)
        expect(box.x + box.width).toBeLessThanOrEqual(picture.width)
      }
    },
  )
  it('every wire ends on the edge of its terminals', async () => {
    const { chain, rows } = contextOf(loops[0]!)
    const picture = await layPicture(chain, rows, words)
    for (const { row, points } of picture.wires) {
      const ends = [points[0]!, points.at(-1)!]
      for (const end of [row.from, row.to]) {
        const block = picture.blocks.find(({ device }) => device.id === end.device)!
        const terminal = block.terminals.find((each) => each.terminal === end.terminal)!
        const touches = ends.some(
          ({ x, y }) =>
            (Math.abs(x - terminal.x) < 0.1 || Math.abs(x - terminal.x - terminal.width) < 0.1) &&
            y >= terminal.y &&
            y <= terminal.y + terminal.height,
        )
        expect(touches).toBe(true)
      }
    }
  })
  it('mains stands left of extra-low voltage in every block that has both', async () => {
    for (const loop of loops) {
      const { chain, rows } = contextOf(loop)
      const picture = await layPicture(chain, rows, words)
      for (const block of picture.blocks) {
        const side = (circuit: string) =>
          block.terminals
            .filter(({ terminal }) =>
              rows.some(
                (row) =>
                  row.circuit === circuit &&
                  [row.from, row.to].some((end) => end.device === block.device.id && end.terminal === terminal),
              ),
            )
            .map(({ x }) => x)
        const [mains, low] = [side('mains'), side('extra-low')]
        if (mains.length > 0 && low.length > 0) expect(Math.max(...mains)).toBeLessThan(Math.min(...low))
      }
    }
  })
  it('as a file it holds no name unescaped', async () => {
    const { chain, rows } = contextOf(loops[0]!)
    const svg = svgText(await layPicture(chain, rows, words), {}, { head: 'a', text: 'b', terminal: 'c' }, '<script>"&')
    expect(svg).toContain('<title>&#60;script&#62;&#34;&#38;</title>')
    expect(svg).not.toContain('<script>')
    expect(svg.match(/stroke-dasharray="7 5"/g)?.length).toBe(rows.length)
  })
})

describe('not proved', () => {
  const stamp = { printedAt: '2026-10-20T08:00:00Z', hash: 'abc' }
  const printed = (loop: LoopDocument) =>
    [asLeftSheet, wiresSheet].map((make) => JSON.stringify(make(contextOf(loop), stamp)).replace(/"\},\{"text":"/g, ''))
  it('a loop with a failed safety test prints that nothing may be energised, on every sheet', () => {
    const loop = loops[0]!
    const step = safetyBlocks(contextOf(loop)).steps.dead.find(({ group }) => group === 'Separation')!
    const last = Math.max(...Object.values(loop.proof.readings).map(({ order }) => order))
    const failed: LoopDocument = {
      ...loop,
      proof: {
        ...loop.proof,
        readings: {
          ...loop.proof.readings,
          bad: {
            text: '0.2',
            unit: 'ohm',
            state: 'value',
            value: 0.2,
            at: stamp.printedAt,
            by: 'Ann',
            order: last + 1,
            test: 'dead',
            step: step.id,
          },
        },
      },
    }
    for (const sheet of printed(failed)) expect(sheet).toContain('NOT PROVED, DO NOT ENERGISE')
    for (const sheet of printed(loop)) expect(sheet).not.toContain('NOT PROVED')
  })
  it('one that is not through says so', () =>
    expect(printed(loops[1]!)[0]).toContain('Not proved dead yet, do not energise'))
})

describe('what is taken along', () => {
  it.each(['wires.pdf', 'wiring.pdf', 'labels.pdf'])('%s is a PDF with its own fonts', async (what) => {
    const { body, headers } = await fetched(pathOf(loops[0]!, what)).expect(200)
    expect(headers['content-type']).toContain('application/pdf')
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-')
    expect((body as Buffer).toString('latin1')).toMatch(/FontFile[23]/)
  })
  it('the list as CSV has a line for each wire', async () => {
    const { body, headers } = await fetched(pathOf(loops[0]!, 'wires.csv')).expect(200)
    expect(headers['content-type']).toContain('text/csv')
    const lines = (body as Buffer).toString().trim().split('\r\n')
    expect(lines.length).toBe(contextOf(loops[0]!).rows.length + 1)
    expect(lines[0]).toContain('no.,from,to')
  })
  it.each(['=1+1', '+cmd', '-2', '@x', '\tx'])('a note %s does not become a formula', (note) => {
    const loop = loops[0]!
    const [row] = contextOf(loop).rows
    const noted = { ...loop, wiring: { rows: { [row!.id]: { note } } } }
    const cell = wiresCsv(contextOf(noted)).split('\r\n')[1]!.split(',').at(-1)!
    expect(cell.replace(/^"/, '')).toMatch(/^'/)
  })
  it('whatever is noted comes back out of the CSV as it was, but for the mark before a formula', () => {
    const loop = loops[0]!
    const [row] = contextOf(loop).rows
    fc.assert(
      fc.property(fc.string({ unit: 'grapheme', minLength: 1, maxLength: 60 }), (note) => {
        const csv = wiresCsv(contextOf({ ...loop, wiring: { rows: { [row!.id]: { note } } } }))
        const { data: cells, errors } = Papa.parse<string[]>(csv.replace(/^\ufeff/, '').replace(/\r\n$/, ''))
        expect(errors).toEqual([])
        const cell = cells[1]!.at(-1)!
        expect([note, `'${note}`]).toContain(cell)
        if (/^[=+\-@\t\r]/.test(note)) expect(cell).toBe(`'${note}`)
      }),
      { numRuns: 60 },
    )
  })
  it('a hostile name is text in the picture', async () => {
    const loop = { ...loops[0]!, name: '</svg><script>alert(1)</script>' }
    const { chain, rows } = contextOf(loop)
    const sheet = pictureSheet(contextOf(loop), await layPicture(chain, rows, words), {
      printedAt: '2026-10-20T08:00:00Z',
      hash: 'abc',
    }) as { content: readonly { readonly svg?: string }[] }
    const svg = sheet.content.find((block) => block.svg !== undefined)!.svg!
    expect(svg).toContain('<title>Wiring of &#60;/svg&#62;&#60;script&#62;')
    expect(svg).not.toContain('<script>')
    expect(svg.match(/<\/svg>/g)?.length).toBe(1)
  })
  it('the cut-out is drawn at 1:1: its bar is 100 mm', async () => {
    const loop = loops[0]!
    const controller = contextOf(loop).chain.devices.find(({ facts }) => facts.controller)!
    const { body } = await fetched(pathOf(loop, `devices/${controller.id}/cut-out.pdf`)).expect(200)
    const drawn = streams(body as Buffer)
    // The drawing's own units are millimetres; the scale that is set before it must be 72 / 25.4 points.
    const scales = [...drawn.matchAll(/([\d.]+) 0 0 (-?[\d.]+) [-\d.]+ [-\d.]+ cm/g)].map(([, a]) => Number(a))
    expect(scales.some((scale) => Math.abs(scale - 72 / 25.4) < 0.001)).toBe(true)
  })
  it('what is not there is said', async () => {
    const loop = loops[0]!
    await request(server.app)
      .get(pathOf(loop, `devices/${randomUUID()}/cut-out.pdf`))
      .expect(404)
    await request(server.app).get(`/api/jobs/${file.job.id}/loops/${randomUUID()}/wires.csv`).expect(404)
  })
})
