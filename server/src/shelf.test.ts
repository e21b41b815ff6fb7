import { afterAll, beforeAll, beforeEach, describe, expect, it } from '@jest/globals'
import { sql } from 'drizzle-orm'
import request from 'supertest'
import type { Shelf } from '@nachtigal/contract/api'
import { MOST_DEVICES, shelfFileOf } from '@nachtigal/contract/shelfFile'
import { sameValue } from '@nachtigal/core/document/canonicalJson'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { testServer } from './testing'

let server: Awaited<ReturnType<typeof testServer>>
beforeAll(async () => {
  server = await testServer()
})
afterAll(() => server.close())

const read = async () => (await request(server.app).get('/api/shelf').expect(200)).body as Shelf
const put = (id: string, body: object) => request(server.app).put(`/api/shelf/${id}`).send(body)
const bring = (body: object | unknown[]) => request(server.app).post('/api/shelf').send(body)
const takeOff = (id: string) => request(server.app).delete(`/api/shelf/${id}`)

let dipper: DeviceProfile
let n = 0
/** A device that nobody has yet, copied from one of the shelf. */
const copy = (change: object = {}): DeviceProfile => ({ ...dipper, id: `copy-${++n}`, name: `Copy ${n}`, ...change })
beforeEach(async () => {
  dipper = (await read()).profiles.find(({ id }) => id === 'dipper')!
})

describe('a device of one’s own', () => {
  it('is kept, is marked as own, and what came with the shelf stays as it was', async () => {
    const before = await read()
    const given = copy()
    const { body } = await put(given.id, given).expect(200)
    expect(body.profiles).toEqual([{ ...given, version: 1 }])
    const after = await read()
    expect(after.own).toEqual([...before.own, given.id])
    expect(after.profiles.find(({ id }) => id === given.id)).toEqual({ ...given, version: 1 })
    expect(sameValue(after.profiles.slice(0, before.profiles.length), before.profiles)).toBe(true)
  })
  it('counts its version up when it changed, whatever version is claimed, and not when it did not', async () => {
    const given = copy()
    const versions = []
    for (const body of [given, { ...given, version: 40 }, { ...given, note: 'read twice' }, given, given])
      versions.push((await put(given.id, body).expect(200)).body.profiles[0].version)
    expect(versions).toEqual([1, 1, 2, 3, 3])
  })
  it('goes off the shelf and back on, and its version goes on counting', async () => {
    const given = copy()
    await put(given.id, given).expect(200)
    await takeOff(given.id).expect(204)
    expect((await read()).profiles.some(({ id }) => id === given.id)).toBe(false)
    expect((await put(given.id, given).expect(200)).body.profiles[0].version).toBe(1)
    expect((await read()).own).toContain(given.id)
    await takeOff(given.id).expect(204)
    expect((await put(given.id, { ...given, note: 'changed' }).expect(200)).body.profiles[0].version).toBe(2)
  })
  it('with a curve by name is kept with the curve written out, and refused where the shelf has no such part', async () => {
    const probe = (await read()).profiles.find(({ id }) => id === 'air-ntc10k-3977')!
    const named = (id: string, name: string) => ({
      ...probe,
      id,
      probe: { ...probe.probe, curve: { kind: 'named', name } },
    })
    const { body } = await put('by-name', named('by-name', 'ntc-10k-3977')).expect(200)
    expect(body.profiles[0].probe.curve).toEqual(probe.probe!.curve)
    const wrong = await put('by-none', named('by-none', 'ntc-0')).expect(422)
    expect(wrong.body.error).toMatchObject({ code: 'DEVICE_REFUSED', field: 'probe.curve' })
    expect(wrong.body.error.message).toContain('ntc-0')
  })
  it.each<[string, () => [string, object], number, string, string]>([
    ['that came with the shelf', () => ['dipper', dipper], 409, 'DEVICE_SHIPPED', 'id'],
    ['under another address', () => ['other', copy()], 422, 'DEVICE_REFUSED', 'id'],
    ['without a name', () => ['x', copy({ id: 'x', name: '' })], 422, 'DEVICE_REFUSED', 'name'],
    ['of an unknown sort', () => ['x', copy({ id: 'x', category: 'rocket' })], 422, 'DEVICE_REFUSED', 'category'],
    ['with a field too many', () => ['x', copy({ id: 'x', script: '<script>' })], 422, 'DEVICE_REFUSED', ''],
    ['with an id that is a path', () => ['x', copy({ id: '../../etc' })], 422, 'DEVICE_REFUSED', 'id'],
    ['with a name too long', () => ['x', copy({ id: 'x', name: 'x'.repeat(61) })], 422, 'DEVICE_REFUSED', 'name'],
    ['with a null byte', () => ['x', copy({ id: 'x', note: 'a\u0000b' })], 422, 'DEVICE_REFUSED', ''],
  ])('%s is refused, and nothing is kept', async (_, make, status, code, field) => {
    const before = await read()
    const [id, body] = make()
    const answer = await put(id, body).expect(status)
    expect(answer.body.error.code).toBe(code)
    if (field) expect(answer.body.error.field).toBe(field)
    expect(sameValue(await read(), before)).toBe(true)
  })
  it('keeps hostile text as text', async () => {
    const given = copy({ note: '<img src=x onerror=alert(1)> =1+1' })
    await put(given.id, given).expect(200)
    expect((await read()).profiles.find(({ id }) => id === given.id)?.note).toBe(given.note)
  })
  it('that nobody put there cannot be taken off, nor one that came with the shelf', async () => {
    expect((await takeOff('nobody').expect(404)).body.error.code).toBe('DEVICE_UNKNOWN')
    expect((await takeOff('dipper').expect(409)).body.error.code).toBe('DEVICE_SHIPPED')
  })
})

describe('a shelf file', () => {
  it('goes out and in again as it was', async () => {
    const given = [copy(), copy()]
    const { body } = await bring(shelfFileOf(given)).expect(201)
    expect(body.profiles).toEqual(given.map((profile) => ({ ...profile, version: 1 })))
    const again = await bring(shelfFileOf(body.profiles)).expect(201)
    expect(again.body.profiles).toEqual(body.profiles)
  })
  it('may be one device alone', async () => {
    const given = copy()
    await bring(given).expect(201)
    expect((await read()).own).toContain(given.id)
  })
  it.each<[string, () => object | unknown[], string]>([
    ['one bad device among good ones', () => shelfFileOf([copy(), copy({ name: '' })]), 'profiles[1].name'],
    ['one that came with the shelf', () => shelfFileOf([copy(), dipper]), 'id'],
    ['the same twice', () => shelfFileOf([copy({ id: 'twin' }), copy({ id: 'twin' })]), 'profiles'],
    ['no device', () => shelfFileOf([]), 'profiles'],
    ['too many', () => shelfFileOf(Array.from({ length: MOST_DEVICES + 1 }, () => copy())), 'profiles'],
    ['another format', () => ({ format: 'other', profiles: [] }), 'format'],
    ['a list', () => [dipper], ''],
  ])('with %s puts nothing on the shelf', async (_, make, field) => {
    const before = await read()
    const answer = await bring(make())
    expect([409, 422]).toContain(answer.status)
    if (field) expect(answer.body.error.field).toBe(field)
    expect(sameValue(await read(), before)).toBe(true)
  })
})

describe('a device that was spoilt where it is kept', () => {
  it('is left out and named with what is wrong, takes no other off, and goes when it is taken off', async () => {
    const given = copy()
    await put(given.id, given).expect(200)
    await server.db.execute(
      sql`UPDATE own_devices SET body = jsonb_set(body, '{ports}', '3'), version = version + 1 WHERE id = ${given.id}`,
    )
    const found = await read()
    expect(found.profiles.some(({ id }) => id === given.id)).toBe(false)
    expect(found.profiles.length).toBeGreaterThan(50)
    expect(found.broken).toEqual([{ id: given.id, says: expect.stringMatching(/^ports/) }])
    await takeOff(given.id).expect(204)
    expect((await read()).broken).toBeUndefined()
  })
})
