import { describe, expect, it } from '@jest/globals'
import type { ProofTest } from '@nachtigal/core/commissioning/proofTest'
import { instrumentsPath, testPath, testsPath } from './paths'
import { standing } from './shapes'

const test = (more: Partial<ProofTest>, read = 0) =>
  ({
    result: { verdict: 'waiting', head: 'Waits' },
    steps: [0, 1, 2].map((n) => ({ verdict: n < read ? 'fits' : 'waiting' })),
    ...more,
  }) as unknown as ProofTest

describe('how a test stands, in a word or two', () => {
  it.each([
    ['begun', test({}, 2), '2 of 3 read'],
    ['not begun', test({}), 'not begun'],
    ['spare', test({ spare: true } as never), 'if wanted'],
    ['left out', test({ skipped: { why: 'no power' } } as never), 'left out'],
    ['judged', test({ result: { verdict: 'good', head: 'Good' } } as never, 3), 'Good'],
    [
      'judged, though it was left out before',
      test({ result: { verdict: 'look', head: 'Late' }, skipped: {} } as never),
      'Late',
    ],
  ])('%s', (_, given, says) => {
    expect(standing(given)).toBe(says)
  })
})

it('the addresses of Prove lie below one another', () => {
  expect(testsPath('j', 'l')).toBe('/jobs/j/loops/l/prove')
  expect(testPath('j', 'l', 'dial/a')).toBe('/jobs/j/loops/l/prove/test/dial/a')
  expect(instrumentsPath('j', 'l')).toBe('/jobs/j/loops/l/prove/instruments')
})
