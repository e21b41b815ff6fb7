import { describe, expect, it } from '@jest/globals'
import { jobNeeds, stepCounts, whereToGoOn } from './jobOverview'
import type { LoopOverview } from './loopOverview'
import type { StepState } from './stepStatus'

const need = (code: string, severity: 'stop' | 'look-again') => ({ code, severity, says: `${code}.` })
const loop = (id: string, states: readonly StepState[], needs: LoopOverview['needs'] = []): LoopOverview => ({
  ...{ id, name: id, kind: 'floor', states, needs },
  next: { step: 'survey', what: 'Go on' },
})
const far: readonly StepState[] = ['done', 'done', 'open', 'waiting', 'waiting', 'waiting', 'waiting']
const near: readonly StepState[] = ['open', 'waiting', 'waiting', 'waiting', 'waiting', 'waiting', 'waiting']
const all: readonly StepState[] = Array.from({ length: 7 }, () => 'done')

describe('jobNeeds', () => {
  it('says once what several loops need, stops before the rest, what more loops need first', () => {
    const loops = [
      loop('a', far, [need('C2', 'look-again')]),
      loop('b', far, [need('C3', 'look-again'), need('C1', 'stop')]),
      loop('c', far, [need('C3', 'look-again')]),
    ]
    expect(jobNeeds(loops).map(({ says, loops: of }) => [says, of])).toEqual([
      ['C1.', ['b']],
      ['C3.', ['b', 'c']],
      ['C2.', ['a']],
    ])
  })
})

describe('stepCounts', () => {
  it('puts what is done lowest', () => {
    expect(stepCounts([loop('a', near), loop('b', all)])[0]).toEqual(['done', 'open'])
  })
  it('has nothing to count without a loop', () => {
    expect(stepCounts([])).toEqual([])
  })
})

describe('whereToGoOn', () => {
  it.each([
    ['a stop', [loop('a', far), loop('b', near, [need('C1', 'stop')])], 'b'],
    ['what is to be looked at', [loop('a', far), loop('b', near, [need('C2', 'look-again')])], 'b'],
    ['the one that is furthest', [loop('a', near), loop('b', far)], 'b'],
    ['nowhere, when all is done', [loop('a', all)], undefined],
  ])('goes to %s', (_, loops, id) => {
    expect(whereToGoOn(loops)?.id).toBe(id)
  })
})
