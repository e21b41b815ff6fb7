import { describe, expect, it } from '@jest/globals'
import { loopContext } from '../loop/context'
import { complaints } from '../testing/complaints'
import { chained } from '../testing/chains'
import { fieldData } from '../testing/fieldData'
import { symptoms } from '../testing/symptoms'
import { soundIn } from '../testing/usChains'
import { findSymptoms } from './findSymptoms'

describe('a complaint in plain words', () => {
  it('there are sixty, ten of each practice\u2019s own', () => {
    expect(complaints).toHaveLength(60)
    expect(new Set(complaints.map(([, kind, says]) => `${kind} ${says}`)).size).toBe(60)
    for (const practice of ['us', 'uk']) expect(complaints.filter(([of]) => of === practice)).toHaveLength(10)
  })
  it.each(complaints)('%s, %s: \u201c%s\u201d has its cause among the first three', (practice, kind, says, cause) => {
    const { job, loop } = practice === 'us' ? soundIn('us', kind) : chained(kind)
    const context = loopContext({ ...job, practice }, loop, fieldData)
    const first = findSymptoms(context, symptoms, says)
      .flatMap(({ causes }) => causes)
      .slice(0, 3)
      .map(({ says: each }) => each)
    expect(first).toEqual(expect.arrayContaining([expect.stringMatching(cause)]))
  })
})
