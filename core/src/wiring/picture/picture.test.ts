import { soundIn } from '../../testing/usChains'
import { wordsFor } from '../../words/words'
import { describe, expect, it } from '@jest/globals'
import fc from 'fast-check'
import { resolveChain } from '../../document/chain'
import { loopKinds } from '../../kinds/kinds'
import { chained } from '../../testing/chains'
import { device } from '../../testing/loops'
import { plannedFloor } from '../../testing/warmFloor'
import { bypass, type Edited } from '../chainEdit'
import { wireList } from '../wireList'
import { boxOf, overlap, pictureOf, type PictureText, textsOf } from './picture'
import { isEast, type LaidOut, layoutGraph, picturePlan, sideOf, wireY } from './pictureGraph'
import { escapeXml, pathOf, svgText, symbolPath } from './svgText'

const given = ({ job, loop }: Edited) => {
  const chain = resolveChain(job, loop.chain)
  const { rows } = wireList(chain, job.practice)
  return { chain, rows, plan: picturePlan(chain, rows) }
}

/** Columns side by side and each wire by two bends: what any layout package would answer at the least. */
function plainLayout({ children, edges }: ReturnType<typeof layoutGraph>): LaidOut {
  let x = 20
  const placed = children.map((child) => {
    const at = { id: child.id, x, y: 40, ports: child.ports }
    x += child.width + 300
    return at
  })
  const point = (port: string) => {
    const column = placed.find(({ ports }) => ports.some(({ id }) => id === port))!
    const found = column.ports.find(({ id }) => id === port)!
    return { x: column.x + found.x, y: column.y + found.y }
  }
  return {
    children: placed.map(({ id, x: left, y }) => ({ id, x: left, y })),
    edges: edges.map(({ id, sources, targets }, i) => {
      const [a, b] = [point(sources[0]!), point(targets[0]!)]
      const track = a.x + 30 + 9 * i
      return {
        id,
        sections: [
          {
            startPoint: a,
            endPoint: b,
            bendPoints: [
              { x: track, y: a.y },
              { x: track, y: b.y },
            ],
          },
        ],
      }
    }),
  }
}

const anyChain = fc.tuple(fc.constantFrom(...loopKinds), fc.array(fc.nat(20), { maxLength: 3 })).map(([kind, picks]) =>
  picks.reduce((edited, pick, i) => {
    const contacts = resolveChain(edited.job, edited.loop.chain).connections.filter(
      ({ fromPort }) => fromPort.kind === 'contact' && !fromPort.fed,
    )
    const over = contacts[pick % Math.max(1, contacts.length)]
    return over ? bypass(edited, over.from, device('hand-switch'), `extra-${i}`) : edited
  }, chained(kind)),
)

const words = wordsFor({ temperatureUnit: 'C', system: 'metric' })

describe('the plan of the picture', () => {
  it('has every wire at exactly its two terminals', () =>
    fc.assert(
      fc.property(anyChain, (edited) => {
        const { rows, plan } = given(edited)
        const landed = plan.columns.flatMap(({ blocks }) =>
          blocks.flatMap(({ device: d, terminals }) =>
            terminals.flatMap(({ terminal, wires }) => wires.map((wire) => `${wire}|${d.id}:${terminal}`)),
          ),
        )
        expect(landed.sort()).toEqual(
          rows.flatMap(({ id, from, to }) => [from, to].map((end) => `${id}|${end.device}:${end.terminal}`)).sort(),
        )
      }),
      { numRuns: 80 },
    ))
  it('keeps the order of the real strip on each side', () =>
    fc.assert(
      fc.property(anyChain, (edited) => {
        for (const { blocks } of given(edited).plan.columns)
          for (const { device: d, terminals } of blocks)
            for (const side of ['mains', 'extra-low'] as const) {
              const own = terminals.filter((t) => t.side === side && d.facts.terminals[t.terminal])
              const orders = own.map(({ terminal }) => d.facts.terminals[terminal]!.order)
              expect(orders).toEqual([...orders].sort((a, b) => a - b))
              for (const [i, t] of own.entries())
                if (i > 0) expect(t.y).toBeGreaterThanOrEqual(own[i - 1]!.y + own[i - 1]!.height)
            }
      }),
      { numRuns: 60 },
    ))
  it('has what carries mains alone left of what carries extra-low alone', () =>
    fc.assert(
      fc.property(anyChain, (edited) => {
        const { rows, plan } = given(edited)
        for (const { id, blocks } of plan.columns)
          for (const { device: d } of blocks) {
            const sides = new Set(
              rows.filter(({ from, to }) => [from, to].some((end) => end.device === d.id)).map(sideOf),
            )
            if (id === 'left') expect([...sides]).toEqual(['mains'])
            if (id === 'right') expect([...sides]).toEqual(['extra-low'])
          }
      }),
      { numRuns: 60 },
    ))
  it('blocks of a column never lie over one another', () => {
    for (const kind of loopKinds)
      for (const { blocks, height } of given(chained(kind)).plan.columns) {
        for (const [i, { y }] of blocks.entries())
          if (i > 0) expect(y).toBeGreaterThan(blocks[i - 1]!.y + blocks[i - 1]!.height)
        expect(blocks.at(-1)!.y + blocks.at(-1)!.height).toBeLessThanOrEqual(height)
      }
  })
  it('leaves out a device without a wire', () => {
    const { job, loop } = plannedFloor(['probes/floor-ntc10k', 'controllers/dipper'])
    const { plan } = given({ job, loop })
    expect(plan.columns.flatMap(({ blocks }) => blocks.map(({ device: d }) => d.tag)).sort()).toEqual(['A1', 'B1'])
  })
  it('is empty where there are no wires', () =>
    expect(given(plannedFloor(['controllers/dipper'])).plan).toEqual({ columns: [], rows: [] }))
  it('wires of one terminal leave it eight apart, about its middle', () => {
    const terminal = { height: 32, wires: ['a', 'b', 'c'] }
    expect(['a', 'b', 'c'].map((wire) => wireY(terminal, wire))).toEqual([8, 16, 24])
    expect(wireY({ height: 24, wires: ['a'] }, 'a')).toBe(12)
  })
})

describe('the graph for the layout package', () => {
  it('names each port once, on the edge of its column, and joins only ports that are there', () =>
    fc.assert(
      fc.property(anyChain, (edited) => {
        const { plan } = given(edited)
        const { children, edges } = layoutGraph(plan)
        const ports = children.flatMap((child) => child.ports.map((port) => ({ ...port, width: child.width })))
        expect(new Set(ports.map(({ id }) => id)).size).toBe(ports.length)
        for (const { x, width } of ports) expect([0, width]).toContain(x)
        for (const { sources, targets } of edges)
          for (const id of [...sources, ...targets]) expect(ports.some((port) => port.id === id)).toBe(true)
      }),
      { numRuns: 60 },
    ))
  it.each([
    ['left', 'mains', true],
    ['middle', 'mains', false],
    ['middle', 'extra-low', true],
    ['right', 'extra-low', false],
  ] as const)('a terminal of the %s column on the %s side sits east: %s', (column, side, east) =>
    expect(isEast(column, side)).toBe(east),
  )
})

describe('the picture', () => {
  it('stays within its size, whatever the routes', () =>
    fc.assert(
      fc.property(anyChain, (edited) => {
        const { chain, rows, plan } = given(edited)
        const picture = pictureOf(chain, plan, plainLayout(layoutGraph(plan)), words)
        expect(picture.wires.length).toBe(rows.length)
        for (const { points, at } of picture.wires)
          for (const { x, y } of [...points, at]) {
            expect(x).toBeLessThanOrEqual(picture.width)
            expect(y).toBeLessThanOrEqual(picture.height)
          }
      }),
      { numRuns: 40 },
    ))
  it('each number stands on its own wire', () =>
    fc.assert(
      fc.property(anyChain, (edited) => {
        const { chain, plan } = given(edited)
        for (const { points, at } of pictureOf(chain, plan, plainLayout(layoutGraph(plan)), words).wires)
          expect(
            points.slice(1).some((b, i) => {
              const a = points[i]!
              const within = (v: number, p: number, q: number) =>
                v >= Math.min(p, q) - 0.01 && v <= Math.max(p, q) + 0.01
              return within(at.x, a.x, b.x) && within(at.y, a.y, b.y)
            }),
          ).toBe(true)
      }),
      { numRuns: 40 },
    ))
  it('says at the unused pair that it stays empty, with its voltage', () => {
    const { chain, plan } = given(plannedFloor())
    const texts = textsOf(pictureOf(chain, plan, plainLayout(layoutGraph(plan)), words))
    expect(texts.filter(({ style }) => style === 'warn').map(({ text }) => text)).toEqual([
      '24 V: empty',
      '24 V: empty',
    ])
  })
  it('draws contacts and coils between their own terminals', () => {
    const { chain, plan } = given(chained('pool'))
    const { blocks } = pictureOf(chain, plan, plainLayout(layoutGraph(plan)), words)
    const kinds = (tag: string) => blocks.find(({ device: d }) => d.tag === tag)!.contacts.map(({ kind }) => kind)
    expect(kinds('K1')).toEqual(['coil', 'contact'])
    expect(kinds('S1')).toEqual(['contact'])
  })
  it('a layout that lost a wire draws the others', () => {
    const { chain, plan, rows } = given(plannedFloor())
    const laid = plainLayout(layoutGraph(plan))
    const fewer = { ...laid, edges: laid.edges!.slice(1) }
    expect(pictureOf(chain, plan, fewer, words).wires.length).toBe(rows.length - 1)
  })
  it('names its sides in the words of the practice', () => {
    const { chain, plan } = given(soundIn('us', 'boiler'))
    const us = wordsFor({ temperatureUnit: 'F', system: 'us', practice: 'us' })
    expect(pictureOf(chain, plan, plainLayout(layoutGraph(plan)), us).heads.map(({ text }) => text)).toEqual([
      'line voltage 120 V',
      'Class 2 low voltage',
    ])
  })
  it('has no gap where nothing is extra-low', () => {
    const { chain, plan } = given(chained('room', {}, ['mains-230-10', 'bunting', 'panel-heater-2000']))
    expect(pictureOf(chain, plan, plainLayout(layoutGraph(plan)), words).gap).toBeUndefined()
  })
})

describe('boxes of text', () => {
  const text = (x: number, anchor: PictureText['anchor']): PictureText => ({
    x,
    y: 20,
    text: 'ABCD',
    anchor,
    style: 'number',
  })
  it.each([
    ['start', 100],
    ['middle', 100 - 15.6],
    ['end', 100 - 31.2],
  ] as const)('%s begins at %s', (anchor, left) => expect(boxOf(text(100, anchor)).x).toBeCloseTo(left, 9))
  it('touching is not overlapping', () => {
    const box = { x: 0, y: 0, width: 10, height: 10 }
    expect(overlap(box, { ...box, x: 10 })).toBe(false)
    expect(overlap(box, { ...box, x: 9.9 })).toBe(true)
    expect(overlap(box, { ...box, y: 10 })).toBe(false)
  })
  it('overlapping is the same both ways', () =>
    fc.assert(
      fc.property(
        fc.tuple(...Array.from({ length: 8 }, () => fc.double({ min: 0, max: 50, noNaN: true }))),
        ([a, b, c, d, e, f, g, h]) => {
          const [p, q] = [
            { x: a!, y: b!, width: c!, height: d! },
            { x: e!, y: f!, width: g!, height: h! },
          ]
          expect(overlap(p, q)).toBe(overlap(q, p))
        },
      ),
    ))
})

describe('the file', () => {
  it('escapes whatever a name holds', () =>
    fc.assert(
      fc.property(fc.string({ unit: 'binary' }), (name) => {
        const safe = escapeXml(name)
        expect(safe).not.toMatch(/[<>"']/)
        expect(safe.replace(/&#\d+;/g, '')).not.toContain('&')
        expect(safe).not.toMatch(/[\u0000-\u0008\u000b\u000c\u000e-\u001f]/)
      }),
    ))
  it('draws landed wires solid and the others dashed', () => {
    const { chain, plan, rows } = given(plannedFloor())
    const picture = pictureOf(chain, plan, plainLayout(layoutGraph(plan)), words)
    const faces = { head: 'a', text: 'b', terminal: 'c' }
    const dashed = (svg: string) => svg.match(/stroke-dasharray="7 5"/g)?.length ?? 0
    expect(dashed(svgText(picture, {}, faces, 't'))).toBe(rows.length)
    expect(dashed(svgText(picture, { [rows[0]!.id]: { landed: true } }, faces, 't'))).toBe(rows.length - 1)
  })
  it('marks what stays live by a triangle beside its number', () => {
    const { chain, plan, rows } = given(chained('pool'))
    const svg = svgText(
      pictureOf(chain, plan, plainLayout(layoutGraph(plan)), words),
      {},
      { head: 'a', text: 'b', terminal: 'c' },
      't',
    )
    expect(svg.match(/l6 10h-12z/g)?.length).toBe(rows.filter(({ liveFrom }) => liveFrom !== undefined).length)
  })
  it('a path begins with a move and goes on with lines', () =>
    expect(
      pathOf([
        { x: 0.04, y: 1 },
        { x: 10, y: 1.26 },
      ]),
    ).toBe('M0 1L10 1.3'))
  it('a closed contact reaches its other side, an open one does not', () => {
    const contact = { kind: 'contact', port: 'p', from: { x: 0, y: 0 }, to: { x: 0, y: 28 }, inward: 1 } as const
    expect(symbolPath(contact, true)).toContain('L18 7')
    expect(symbolPath(contact)).not.toContain('L18 7')
  })
})
