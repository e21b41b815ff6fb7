import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import request from 'supertest'
import { fill, type JobOverview, routes } from '@nachtigal/contract/api'
import { jobNeeds, stepCounts, whereToGoOn } from '@nachtigal/core/progress/jobOverview'
import { testServer } from './testing'

describe('overview of a job', () => {
  let server: Awaited<ReturnType<typeof testServer>>
  let jobId: string
  const overview = async () =>
    (await request(server.app).get(fill(routes.overview, { jobId })).expect(200)).body as JobOverview
  beforeAll(async () => {
    server = await testServer()
    jobId = ((await request(server.app).post(routes.demo).send({}).expect(200)).body as { jobId: string }).jobId
  })
  afterAll(() => server.close())

  it('opens the demo once, however often it is asked for', async () => {
    const again = (await request(server.app).post(routes.demo).send({}).expect(200)).body as { jobId: string }
    expect(again.jobId).toBe(jobId)
    expect((await request(server.app).get(routes.jobs)).body).toHaveLength(2)
  })
  it('tells of every loop how far its seven steps are, and what was done last by whom', async () => {
    const { loops, last, temperatureUnit } = await overview()
    expect(loops).toHaveLength(10)
    expect(loops.every(({ states }) => states.length === 7)).toBe(true)
    expect(temperatureUnit).toBe('C')
    expect(last?.by).toBeTruthy()
    expect(last?.did).toBeTruthy()
  })
  it('counts each loop once in each step and goes on where something needs a hand', async () => {
    const jobs = (await request(server.app).get(routes.jobs)).body as { id: string; name: string }[]
    const needs = await Promise.all(
      jobs.map(async ({ id }) => {
        const { body } = await request(server.app).get(fill(routes.overview, { jobId: id }))
        const { loops } = body as JobOverview
        expect(stepCounts(loops).map((states) => states.length)).toEqual(Array.from({ length: 7 }, () => 10))
        const [need] = jobNeeds(loops)
        // Where nothing needs a hand it goes on where work waits.
        if (need) expect(whereToGoOn(loops)?.needs[0]?.severity).toBe(need.severity)
        else expect(whereToGoOn(loops)).toBeDefined()
        return need !== undefined
      }),
    )
    // As it was found a good deal needs a hand; as it is planned nothing does.
    expect(needs.sort()).toEqual([false, true])
  })
  it('knows no overview of a job that is not here', async () => {
    await request(server.app)
      .get(fill(routes.overview, { jobId: '00000000-0000-4000-8000-00000000dead' }))
      .expect(404)
  })
})
