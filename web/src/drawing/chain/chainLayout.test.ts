import { describe, expect, it } from '@jest/globals'
import { APART, blockText, chainLayout, folded } from './chainLayout'

describe('chainLayout', () => {
  it.each([
    [3, 1, 'words'],
    [4, 1, 'words'],
    [5, 1, 'short'],
    [7, 1, 'shape'],
    [9, 2, 'shape'],
  ] as const)('draws %d links on a usual screen in %d rows, spaces in %s', (links, rows, says) => {
    const layout = chainLayout(links, 1032)
    expect([layout.rows, layout.says]).toEqual([rows, says])
  })
  it.each([700, 736, 900, 1032, 1400])('keeps every block inside %d px', (width) => {
    for (let links = 2; links <= 12; links++) {
      const { rows, block, space, supply } = chainLayout(links, width)
      const taken =
        rows === 1
          ? links * block + (links - 1) * space + APART + supply
          : Math.max(
              folded(links) * block + (folded(links) - 1) * space,
              (links - folded(links)) * (block + space) + supply,
            )
      expect({ links, over: Math.max(0, taken - width - 2) }).toEqual({ links, over: 0 })
    }
  })
})

describe('blockText', () => {
  it('sets a short name large, with what it is under it', () => {
    expect(blockText('Dipper', 'one relay, 10 A', 206, 60)).toEqual({ size: 18, line: 20, lines: 1, sub: true })
  })
  it('leaves out what a device is before it cuts its name', () => {
    const text = blockText('Flow switch of the slab pump', 'reed, small signals', 143, 60)
    expect(text.sub).toBe(false)
    expect(text.lines * text.line).toBeLessThanOrEqual(52)
  })
  it('keeps a name that no block holds within its block', () => {
    const text = blockText('x'.repeat(200), '', 109, 60)
    expect(text.lines * text.line).toBeLessThanOrEqual(52)
  })
})
