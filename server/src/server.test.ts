import { randomUUID } from 'node:crypto'
import { fileURLToPath } from 'node:url'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { sql } from 'drizzle-orm'
import request from 'supertest'
import { calcDataOf, type JobFile } from '@nachtigal/contract/api'
import { calculations, plainly, runCalculation } from '@nachtigal/core/calc/registry'
import { emptyLoop, type LoopDocument } from '@nachtigal/core/document/documents'
import { sameValue } from '@nachtigal/core/document/canonicalJson'
import { inverseChanges } from '@nachtigal/core/document/inverse'
import { readShelf } from './readShelf'
import { command, demoFile, newJob, testServer } from './testing'

let server: Awaited<ReturnType<typeof testServer>>
beforeAll(async () => {
  server = await testServer()
})
afterAll(() => server.close())

const send = (body: object, jobId: string) => request(server.app).post(`/api/jobs/${jobId}/commands`).send(body)
const read = async (jobId: string) => (await request(server.app).get(`/api/jobs/${jobId}`)).body

async function jobWithLoop() {
  const { jobId, create } = newJob()
  await send(create, jobId).expect(200)
  const loopId = randomUUID()
  await send(
    command(jobId, [{ document: loopId, path: [], from: null, to: emptyLoop(loopId, jobId, 'floor', 'Floor', 1) }]),
    jobId,
  ).expect(200)
  return { jobId, loopId }
}

describe('commands', () => {
  it('make a job, raise its revision, and are kept with who and when', async () => {
    const { jobId, create } = newJob()
    const reply = await send(create, jobId).expect(200)
    expect(reply.body).toEqual({ sequence: 1, revision: 1, receivedAt: '2026-01-05T08:00:00.000Z', repeated: false })
    await send(command(jobId, [{ document: jobId, path: ['name'], from: 'Job', to: 'Better name' }]), jobId).expect(200)
    expect((await read(jobId)).job.name).toBe('Better name')
    const log = await request(server.app).get(`/api/jobs/${jobId}/log`).expect(200)
    expect(log.body.total).toBe(2)
    expect(log.body.rows[0]).toMatchObject({
      sequence: 2,
      command: { by: 'Ann', change: [{ from: 'Job', to: 'Better name' }] },
      previousHash: log.body.rows[1].hash,
    })
  })
  it('with the same id are answered twice, applied once', async () => {
    const { jobId, create } = newJob()
    await send(create, jobId).expect(200)
    const again = await send(create, jobId).expect(200)
    expect(again.body).toMatchObject({ sequence: 1, revision: 1, repeated: true })
    const other = await send({ ...create, by: 'Bob' }, jobId).expect(409)
    expect(other.body.error.code).toBe('COMMAND_ID_REUSED')
  })
  it('that start from something else are answered with both sides, and nothing is applied', async () => {
    const { jobId } = await jobWithLoop()
    const clash = await send(
      command(jobId, [
        { document: jobId, path: ['place'], from: 'Here', to: 'There' },
        { document: jobId, path: ['name'], from: 'Old', to: 'New' },
      ]),
      jobId,
    ).expect(409)
    expect(clash.body.error).toMatchObject({
      code: 'COMMAND_CONFLICT',
      facts: { clashes: [{ path: ['name'], from: 'Old', to: 'New', is: 'Job' }] },
    })
    expect((await read(jobId)).job.place).toBe('Here')
  })
  it('do not mind an old base revision when what they change still holds', async () => {
    const { jobId } = await jobWithLoop()
    await send(
      command(jobId, [{ document: jobId, path: ['place'], from: 'Here', to: 'There' }], { baseRevision: 0 }),
      jobId,
    ).expect(200)
  })
  it('may touch job and loop at once, in one transaction', async () => {
    const { jobId, loopId } = await jobWithLoop()
    await send(
      command(jobId, [
        { document: jobId, path: ['name'], from: 'Job', to: 'Both' },
        { document: loopId, path: ['name'], from: 'Floor', to: 5 },
      ]),
      jobId,
    ).expect(422)
    expect((await read(jobId)).job.name).toBe('Job')
  })
  it('sent at the same moment follow each other without a gap', async () => {
    const { jobId, loopId } = await jobWithLoop()
    const many = Array.from({ length: 12 }, (_, i) =>
      send(command(jobId, [{ document: loopId, path: ['survey', 'answers', `a${i}`], from: null, to: i }]), jobId),
    )
    expect((await Promise.all(many)).map(({ status }) => status)).toEqual(Array(12).fill(200))
    const log = await request(server.app).get(`/api/jobs/${jobId}/log`)
    expect(log.body.rows.map((row: { sequence: number }) => row.sequence)).toEqual(
      Array.from({ length: 14 }, (_, i) => 14 - i),
    )
  })
  it('are taken back by their inverse', async () => {
    const { jobId, loopId } = await jobWithLoop()
    const before = await read(jobId)
    const made = command(jobId, [{ document: loopId, path: ['survey', 'answers', 'target'], from: null, to: 28 }])
    await send(made, jobId).expect(200)
    const undo = command(
      jobId,
      inverseChanges(made, () => {
        throw new Error('no reading here')
      }),
      { undoes: made.id },
    )
    await send(undo, jobId).expect(200)
    expect(sameValue((await read(jobId)).loops, before.loops)).toBe(true)
    await send(command(jobId, undo.change as never, { undoes: randomUUID() }), jobId).expect(422)
  })
})

describe('bad input is refused by field, value and what is allowed, and does not reach the log', () => {
  const plan = {
    kind: 'on-off',
    order: 1,
    output: { device: 'a', port: 'b' },
    input: { device: 'a', port: 'c' },
    action: 'heating',
    convention: 'cut-out',
    setpointC: 28,
    swingK: 1,
    offsetK: 0,
    minimumOffS: 180,
    probeFault: 'off',
  }
  it.each([
    ['a swing of nothing', { swingK: 0 }, 'settings.planned.p.swingK', 'is 0: it must be over 0'],
    ['a swing of less', { swingK: -15 }, 'settings.planned.p.swingK', '-15'],
    [
      'text in a number',
      { setpointC: 'warm' },
      'settings.planned.p.setpointC',
      'must be a number from -273.15 to 2000, not "warm"',
    ],
    ['a number as text', { setpointC: '28' }, 'settings.planned.p.setpointC', 'not "28"'],
    [
      'a convention that is none',
      { convention: 'sideways' },
      'settings.planned.p.convention',
      'one of cut-out, cut-in',
    ],
    ['an unknown field', { colour: 'red' }, 'settings.planned.p', 'unknown fields: colour'],
    ['a missing field', { offsetK: undefined }, 'settings.planned.p.offsetK', 'offsetK is missing'],
    ['points beside the words that say them', { onC: 20, offC: 28 }, 'settings.planned.p', 'unknown fields: onC, offC'],
    ['no swing', { swingK: undefined }, 'settings.planned.p.swingK', 'swingK is missing: it must be a number over 0'],
    ['parts of a swing beside it', { aboveK: 1 }, 'settings.planned.p.aboveK', 'aboveK is 1: it must be left out'],
    [
      'a split without its parts',
      { convention: 'split', swingK: undefined },
      'settings.planned.p.aboveK',
      'is missing',
    ],
    ['a split with a swing', { convention: 'split', aboveK: 1, belowK: 1 }, 'settings.planned.p.swingK', 'left out'],
  ])('%s', async (_, change, field, message) => {
    const { jobId, loopId } = await jobWithLoop()
    const reply = await send(
      command(jobId, [
        { document: loopId, path: ['settings', 'planned', 'p'], from: null, to: { ...plan, ...change } },
      ]),
      jobId,
    ).expect(422)
    expect(reply.body.error).toMatchObject({ code: 'COMMAND_REFUSED', facts: { field } })
    expect(reply.body.error.message).toContain(message)
    expect((await read(jobId)).revision).toBe(2)
  })
  it('a temperature unit that is none', async () => {
    const { jobId } = await jobWithLoop()
    const reply = await send(
      command(jobId, [{ document: jobId, path: ['temperatureUnit'], from: 'C', to: 'K' }]),
      jobId,
    ).expect(422)
    expect(reply.body.error.message).toContain('temperatureUnit is "K": it must be one of C, F')
  })
  it('accepts what is only implausible: a setpoint outside its limits is a finding', async () => {
    const { jobId, loopId } = await jobWithLoop()
    await send(
      command(jobId, [
        {
          document: loopId,
          path: ['settings', 'planned', 'p'],
          from: null,
          to: { ...plan, highestC: 25, lowestC: 20 },
        },
      ]),
      jobId,
    ).expect(200)
  })
  it.each([
    ['__proto__', ['__proto__', 'x']],
    ['constructor', ['survey', 'constructor']],
    ['prototype', ['prototype']],
  ])('a path through %s', async (_, path) => {
    const { jobId, loopId } = await jobWithLoop()
    await send(command(jobId, [{ document: loopId, path, from: null, to: 1 }]), jobId).expect(422)
    expect(({} as Record<string, unknown>)['x']).toBeUndefined()
  })
  it('a text with a zero character, a loop of another job, a command for another job', async () => {
    const { jobId, loopId } = await jobWithLoop()
    const { jobId: other } = await jobWithLoop()
    await send(command(jobId, [{ document: loopId, path: ['name'], from: 'Floor', to: 'a\u0000b' }]), jobId).expect(422)
    await send(command(other, [{ document: loopId, path: ['name'], from: 'Floor', to: 'x' }]), other).expect(409)
    await send(
      command(other, [{ document: loopId, path: [], from: null, to: emptyLoop(loopId, other, 'floor', 'Mine', 1) }]),
      other,
    ).expect(422)
    await send(command(other, [{ document: other, path: ['name'], from: 'Job', to: 'x' }]), jobId).expect(422)
  })
  it('no JSON, too much of it, an unknown route, an unknown job', async () => {
    const { jobId } = await jobWithLoop()
    const post = (body: string) => request(server.app).post(`/api/jobs/${jobId}/commands`).type('json').send(body)
    expect((await post('{"id":').expect(400)).body.error.code).toBe('BODY_INVALID')
    expect((await post(JSON.stringify('x'.repeat(1_100_000))).expect(413)).body.error.code).toBe('BODY_TOO_LARGE')
    expect((await request(server.app).get('/api/nothing').expect(404)).body.error.code).toBe('ROUTE_UNKNOWN')
    expect((await request(server.app).get(`/api/jobs/${randomUUID()}`).expect(404)).body.error.code).toBe('JOB_UNKNOWN')
  })
})

describe('job file', () => {
  it('goes out of one database and into an empty one without loss', async () => {
    const file = demoFile()
    await request(server.app).post('/api/import').send(file).expect(201)
    const out = (await request(server.app).get(`/api/jobs/${file.job.id}/file`).expect(200)).body as JobFile
    const empty = await testServer()
    try {
      await request(empty.app).post('/api/import').send(out).expect(201)
      const again = (await request(empty.app).get(`/api/jobs/${file.job.id}/file`)).body as JobFile
      expect(sameValue(again, file)).toBe(true)
      expect((await request(empty.app).get('/api/jobs')).body).toEqual([
        expect.objectContaining({
          name: 'Otterholm Wildlife Hospital',
          loops: Object.keys(file.loops).length,
          revision: file.log.length,
        }),
      ])
      // And it goes on from there: the next row continues the chain.
      await request(empty.app)
        .post(`/api/jobs/${file.job.id}/commands`)
        .send(
          command(file.job.id, [{ document: file.job.id, path: ['place'], from: 'Otterholm', to: 'Otterholm Bay' }]),
        )
        .expect(200)
      const log = await request(empty.app).get(`/api/jobs/${file.job.id}/log`)
      expect(log.body.rows[0].previousHash).toBe(file.log.at(-1)!.hash)
    } finally {
      await empty.close()
    }
  })
  it('is refused twice, and when it was edited by hand', async () => {
    const file = demoFile()
    expect((await request(server.app).post('/api/import').send(file).expect(409)).body.error.code).toBe('JOB_EXISTS')
    const own = await testServer()
    const take = (body: object) => request(own.app).post('/api/import').send(body).expect(422)
    const row = structuredClone(file)
    ;(row.log[5]!.command as { by: string }).by = 'Somebody else'
    expect((await take(row)).body.error).toMatchObject({
      code: 'FILE_CHAIN_BROKEN',
      facts: { sequence: 6 },
    })
    const document = structuredClone(file)
    ;(document.job as { place: string }).place = 'Elsewhere'
    expect((await take(document)).body.error.code).toBe('FILE_REFUSED')
    expect((await take({ ...file, format: 'other' })).body.error.message).toContain('nachtigal-job')
    // Nothing of what was refused is left: the sound one is taken.
    await request(own.app).post('/api/import').send(file).expect(201)
    await own.close()
  })
})

describe('shelf, calculations, sheet, health', () => {
  it('serves a checked shelf with field data', async () => {
    const { body } = await request(server.app).get('/api/shelf').expect(200)
    expect(body.profiles.map((p: { id: string }) => p.id)).toEqual(
      expect.arrayContaining(['dipper', 'wren', 'shrike', 'circulator-45', 'cable-pt1000']),
    )
    expect(body.data['swing.floor.slab']).toMatchObject({ typical: 1, unit: 'K' })
  })
  it('calculates one or many, and names the field that is wrong', async () => {
    const calc = (id: string, body: unknown) =>
      request(server.app)
        .post(`/api/calc/${id}`)
        .send(body as object)
    expect(
      (await calc('units.convert', { value: 5, from: 'F', to: 'K', difference: true }).expect(200)).body.value,
    ).toBeCloseTo(2.7778, 4)
    const many = await calc('cycling.worst', [
      { powerW: 2000, capacityJPerK: 1.8e6, swingK: 1 },
      { powerW: 2000, capacityJPerK: 1.8e6, swingK: 0 },
    ]).expect(200)
    expect(many.body).toEqual([
      { cyclesPerHour: 1 },
      { error: { field: 'swingK', message: expect.stringContaining('over 0') } },
    ])
    expect((await calc('cycling.worst', { powerW: 1 }).expect(422)).body.error.facts.field).toBe('capacityJPerK')
    expect((await calc('nothing.here', {}).expect(404)).body.error.code).toBe('CALCULATION_UNKNOWN')
  })
  it('answers every example as the registry does, and errors with the same field and message', async () => {
    const calc = (id: string, body: unknown) =>
      request(server.app)
        .post(`/api/calc/${id}`)
        .send(body as object)
    const data = calcDataOf(readShelf(fileURLToPath(new URL('../../shelf', import.meta.url))))
    for (const entry of calculations) {
      const given = entry.examples.map((example) => example.given)
      const expected = given.map((input) => plainly(runCalculation(entry, input, data)))
      const { body } = await calc(entry.id, given).expect(200)
      expect(body).toEqual(JSON.parse(JSON.stringify(expected.map((each) => (each.ok ? each.output : each.error)))))
      const wrong = { ...given[0], nonsense: 1 }
      const refused = plainly(runCalculation(entry, wrong, data))
      const { error } = (await calc(entry.id, wrong).expect(422)).body
      expect(refused).toEqual({ ok: false, error: { field: error.field, message: error.message } })
    }
  })
  it('takes twenty thousand inputs and lets others in between, and refuses more', async () => {
    const one = { probe: { kind: 'rtd', r0Ohm: 1000 }, resistanceOhm: 1100 }
    const long = request(server.app)
      .post('/api/calc/probe.temperature')
      .send(Array.from({ length: 20_000 }, () => one))
    const [{ body }] = await Promise.all([long, request(server.app).get('/api/health').expect(200)])
    expect(body).toHaveLength(20_000)
    expect(body[19_999].temperatureC).toBeCloseTo(25.68, 1)
    const tooMany = Array.from({ length: 20_001 }, () => ({}))
    await request(server.app).post('/api/calc/probe.temperature').send(tooMany).expect(422)
  })
  it.each([
    ['nothing', 'null'],
    ['a number', '12'],
    ['text', '"hot"'],
  ])('answers %s with the field input', async (_, body) => {
    const { body: answer } = await request(server.app)
      .post('/api/calc/cycling.worst')
      .set('Content-Type', 'application/json')
      .send(body)
      .expect(422)
    expect(answer.error.field).toBe('input')
  })
  it('prints nothing of a loop that cannot be read, says what is wrong, and prints the others', async () => {
    const { jobId, create } = newJob()
    await server.store.apply(create)
    const [spoilt, sound] = [randomUUID(), randomUUID()]
    for (const id of [spoilt, sound])
      await server.store.apply(
        command(jobId, [{ document: id, path: [], from: null, to: emptyLoop(id, jobId, 'floor', 'Floor', 1) }]),
      )
    await server.db.execute(
      sql`UPDATE documents SET body = jsonb_set(body, '{survey,answers,floorArea}', '0') WHERE id = ${spoilt}`,
    )
    server.store.forget()
    const refused = await request(server.app).get(`/api/jobs/${jobId}/loops/${spoilt}/safety-steps.pdf`).expect(409)
    expect(refused.body.error).toMatchObject({ code: 'DOCUMENT_BROKEN', field: 'survey.answers.floorArea' })
    await request(server.app).get(`/api/jobs/${jobId}/loops/${sound}/safety-steps.pdf`).expect(200)
  })
  it('prints the as-left sheet with its own fonts embedded', async () => {
    const file = demoFile()
    const [loop] = Object.values(file.loops) as [LoopDocument]
    const { body, headers } = await request(server.app)
      .get(`/api/jobs/${file.job.id}/loops/${loop.id}/as-left.pdf`)
      .buffer(true)
      .parse((res, done) => {
        const parts: Buffer[] = []
        res.on('data', (part: Buffer) => parts.push(part))
        res.on('end', () => done(null, Buffer.concat(parts)))
      })
      .expect(200)
    expect(headers['content-type']).toContain('application/pdf')
    expect((body as Buffer).subarray(0, 5).toString()).toBe('%PDF-')
    expect((body as Buffer).toString('latin1')).toMatch(/FontFile[23]/)
    await request(server.app).get(`/api/jobs/${file.job.id}/loops/${randomUUID()}/as-left.pdf`).expect(404)
  })
  it('answers health, and sends a policy that allows no inline script', async () => {
    const { headers, body } = await request(server.app).get('/api/health').expect(200)
    expect(body).toMatchObject({ ready: true, version: '0', database: { state: 'here' } })
    const policy = String(headers['content-security-policy'])
    expect(policy).toContain("script-src 'self';")
    expect(policy).not.toMatch(/script-src[^;]*(unsafe|nonce)/)
    expect(policy).not.toContain('unsafe-inline')
    expect(headers['x-powered-by']).toBeUndefined()
  })
})
