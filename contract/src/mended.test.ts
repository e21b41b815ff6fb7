import { readFileSync } from 'node:fs'
import { describe, expect, it } from '@jest/globals'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { Chance, spoilt } from '@nachtigal/core/testing/spoilt'
import { refusal } from './check'
import { jobSchema, loopSchema } from './documentSchemas'
import { mended } from './mended'

const { job, loops } = JSON.parse(
  readFileSync(new URL('../../demo/otterholm.nachtigal.json', import.meta.url), 'utf8'),
) as { job: JobDocument; loops: Record<string, LoopDocument> }
const loop = Object.values(loops).find(({ kind }) => kind === 'floor')!
const withSurvey = (answers: object) => ({ ...loop, survey: { ...loop.survey, answers } })

describe('mending', () => {
  it('takes out the value that is wrong, and nothing beside it', () => {
    const broken = withSurvey({ ...loop.survey.answers, floorArea: 0, target: 'warm' })
    const { document, taken } = mended(loopSchema, broken)!
    const { floorArea: _area, target: _target, ...kept } = loop.survey.answers as Record<string, unknown>
    expect(document).toEqual(withSurvey(kept))
    expect(taken.map(({ out }) => out.join('/')).sort()).toEqual(['survey/answers/floorArea', 'survey/answers/target'])
    expect(taken.map(({ message }) => message).join()).toMatch(/floorArea.*0/)
  })
  it('takes out the whole of an entry that lacks what it must have', () => {
    const [id, device] = Object.entries(loop.chain.devices)[0]!
    const { tag: _tag, ...bare } = device
    const { document, taken } = mended(loopSchema, {
      ...loop,
      chain: { ...loop.chain, devices: { ...loop.chain.devices, [id]: bare as typeof device } },
    })!
    expect(Object.keys(document.chain.devices)).not.toContain(id)
    expect(taken[0]!.out).toEqual(['chain', 'devices', id])
  })
  it('of a profile that cannot be read takes that one', () => {
    const [id, profile] = Object.entries(job.profiles)[0]!
    const { document } = mended(jobSchema, { ...job, profiles: { ...job.profiles, [id]: { ...profile, ports: 3 } } })!
    expect(Object.keys(document.profiles)).not.toContain(id)
  })
  it('leaves what is sound as it is', () => expect(mended(loopSchema, loop)).toEqual({ document: loop, taken: [] }))
  it('says when taking out does not help: a loop of a kind that there is not', () =>
    expect(mended(loopSchema, { ...loop, kind: 'balloon' })).toBeUndefined())

  it('of 80 spoilt documents, each is sound afterwards or said to be past mending', () => {
    const chance = new Chance(6)
    let sound = 0
    for (let n = 0; n < 80; n++) {
      const [schema, from] = n % 10 === 0 ? [jobSchema, job] : [loopSchema, chance.of(Object.values(loops))]
      const made = mended(schema, spoilt(from, chance))
      if (!made) continue
      sound++
      expect(refusal(schema, made.document)).toBeUndefined()
    }
    expect(sound).toBeGreaterThan(40)
  })
})
