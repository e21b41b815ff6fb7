import { describe, expect, it } from '@jest/globals'
import { hand } from '../testing/hand'
import { openIn, triedRemedy } from '../actions/triedRemedy'
import { chained } from '../testing/chains'
import { soundIn } from '../testing/usChains'
import { loopKinds } from '../kinds/kinds'
import { practiceMisfits } from './practiceMisfits'

const cabinet = () => chained('cabinet', { mainsAtHand: '230' })

describe('a job whose practice is changed midway', () => {
  it('names what the new one does not have, and throws nothing away', () => {
    const { job, loop } = cabinet()
    const [misfit, ...others] = practiceMisfits(job, { [loop.id]: loop }, 'us')
    expect(others).toEqual([])
    expect(misfit).toMatchObject({ loop: loop.id, name: loop.name })
    expect(misfit!.things).toEqual(
      expect.arrayContaining(['A1 Goosander', 'E1 Cabinet elements', 'line voltage at hand: 230 V, one phase']),
    )
    expect(practiceMisfits(job, { [loop.id]: loop }, 'uk')).toEqual([])
  })
  it.each(loopKinds)('%s: what is sound in the United States is at home there', (kind) => {
    const { job, loop } = soundIn('us', kind)
    expect(practiceMisfits(job, { [loop.id]: loop }, 'us')).toEqual([])
  })
  it('is a finding of the loop each, and no remedy makes it worse', () => {
    const { job, loop } = cabinet()
    const us = { job: { ...job, practice: 'us' as const }, loop }
    const found = openIn(us, hand).filter(({ code }) => code === 'C156_OTHER_PRACTICE')
    expect(found.map(({ head }) => head)).toContain(
      'A1 Goosander is made for Europe and the United Kingdom; this job is in the United States and Canada.',
    )
    const remedies = found.flatMap((finding) => {
      const remedy = triedRemedy(us, finding, hand)
      return remedy ? [remedy] : []
    })
    expect(remedies.length).toBeGreaterThan(0)
    for (const { edited, say } of remedies) {
      expect(say).toMatch(/^Put .+ in its place$/)
      expect(openIn(edited, hand).filter(({ code }) => code === 'C156_OTHER_PRACTICE').length).toBeLessThan(
        found.length,
      )
    }
  })
})
