import { describe, expect, it } from '@jest/globals'
import { type ResetLine, resetLine } from './resetLine'

const line: ResetLine = { designOutdoorC: -10, designSupplyC: 50, warmOutdoorC: 20, warmSupplyC: 26 }

type Case = [what: string, more: Partial<ResetLine>, ...points: (readonly [number, number])[]]

describe('resetLine goes on beyond its points', () => {
  it.each<Case>([
    ['level where neither limit is given', {}, [-25, 50], [30, 26]],
    ['up to the highest', { maximumSupplyC: 56 }, [-15, 54], [-17.5, 56], [-25, 56], [30, 26]],
    ['down to the lowest', { minimumSupplyC: 20 }, [25, 22], [27.5, 20], [40, 20], [-25, 50]],
    ['both ways', { minimumSupplyC: 20, maximumSupplyC: 56 }, [-12.5, 52], [22.5, 24], [5, 38]],
    ['no further than a highest that lies under its cold point', { maximumSupplyC: 45 }, [-10, 45], [-25, 45], [5, 38]],
    [
      'a line that rises with the weather: up to the highest on its warm side',
      { designSupplyC: 20, maximumSupplyC: 28 },
      [25, 27],
      [40, 28],
      [-25, 20],
    ],
  ])('%s', (_, more, ...points) => {
    const at = resetLine({ ...line, ...more })
    for (const [outdoorC, supplyC] of points) expect(at(outdoorC)).toBeCloseTo(supplyC, 9)
  })
})
