import { mkdirSync, mkdtempSync, rmSync, writeFileSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import request from 'supertest'
import { fileName } from './routes/jobRoutes'
import { testServer } from './testing'

let folder: string
let server: Awaited<ReturnType<typeof testServer>>
beforeAll(async () => {
  folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-pages-'))
  mkdirSync(path.join(folder, 'assets'))
  writeFileSync(path.join(folder, 'index.html'), '<meta name="csp-nonce" content="__NONCE__" /><div id="root"></div>')
  writeFileSync(path.join(folder, 'assets', 'index-1.js'), 'export {}')
  writeFileSync(path.join(folder, 'icon.svg'), '<svg/>')
  writeFileSync(path.join(path.dirname(folder), 'nachtigal-secret.txt'), 'not for the web')
  server = await testServer(folder)
})
afterAll(async () => {
  await server.close()
  rmSync(folder, { recursive: true, force: true })
  rmSync(path.join(path.dirname(folder), 'nachtigal-secret.txt'), { force: true })
})
const get = (where: string) => request(server.app).get(where)

describe('pages', () => {
  it.each(['/', '/jobs/1', '/jobs/1/loops/2/set/keying', '/nowhere'])(
    '%s is the one page, made anew each time',
    async (where) => {
      const { headers, text } = await get(where).expect(200)
      expect(headers['content-type']).toContain('text/html')
      expect(headers['cache-control']).toBe('no-store')
      expect(text).toContain('<div id="root">')
    },
  )
  it('has the list of jobs fetched with the board, and with no other page', async () => {
    expect((await get('/')).headers['link']).toBe('</api/jobs>; rel=preload; as=fetch; crossorigin')
    expect((await get('/jobs/1')).headers['link']).toBeUndefined()
  })
  it('carries a nonce for styles that is new for each answer, and none for scripts', async () => {
    const nonces = await Promise.all(
      [1, 2].map(async () => {
        const { headers, text } = await get('/')
        const nonce = /content="([^"]+)"/.exec(text)![1]!
        const policy = headers['content-security-policy']!
        expect(policy).toContain(`'nonce-${nonce}'`)
        expect(/script-src ([^;]+)/.exec(policy)![1]).toBe("'self'")
        expect(policy).not.toContain('unsafe')
        return nonce
      }),
    )
    expect(nonces[0]).not.toBe(nonces[1])
  })
  it('keeps what is named by its content for a year, and says when it is not there', async () => {
    const { headers } = await get('/assets/index-1.js').expect(200)
    expect(headers['cache-control']).toContain('immutable')
    expect((await get('/assets/gone-2.js').expect(404)).body.error.code).toBe('ROUTE_UNKNOWN')
  })
  it.each([
    '/../nachtigal-secret.txt',
    '/assets/../../nachtigal-secret.txt',
    '/%2e%2e/nachtigal-secret.txt',
    '/assets/%2e%2e%2f%2e%2e%2fnachtigal-secret.txt',
  ])('%s leads nowhere outside', async (where) => expect((await get(where)).text).not.toContain('not for the web'))
  it.each(['/%', '/assets/%ff'])('%s, an address that cannot be read, is told as one', async (where) => {
    const { status, body } = await get(where)
    expect([400, 404]).toContain(status)
    expect(body.error.code).toMatch(/BODY_INVALID|ROUTE_UNKNOWN/)
  })
})

describe('what every answer says', () => {
  it('nothing of what it runs on', async () => {
    const { headers } = await get('/api/health')
    expect(headers['x-powered-by']).toBeUndefined()
    expect(headers['x-content-type-options']).toBe('nosniff')
    expect(headers['referrer-policy']).toBe('no-referrer')
  })
  it.each(['get', 'post', 'put', 'delete', 'patch'] as const)(
    '%s on an unknown route is one error of the list',
    async (method) => {
      const { body } = await request(server.app)[method]('/api/nothing').expect(404)
      expect(body).toEqual({
        error: { code: 'ROUTE_UNKNOWN', message: `there is nothing at ${method.toUpperCase()} /api/nothing` },
      })
    },
  )
  it('a fault inside is told without its inside', async () => {
    const broken = await testServer()
    await broken.db.execute('ALTER TABLE jobs RENAME TO lost')
    const { body } = await request(broken.app).get('/api/jobs').expect(500)
    await broken.close()
    expect(body.error.code).toBe('INTERNAL')
    expect(JSON.stringify(body)).not.toMatch(/stack|select|pglite/i)
  })
})

describe('under which name it is called', () => {
  it.each(['localhost', 'localhost:4310', '127.0.0.1:4310', '[::1]:4310'])('%s is its own', (host) =>
    get('/api/health').set('Host', host).expect(200),
  )
  it.each(['evil.example', 'localhost.evil.example', '127.0.0.1.evil.example:4310', '192.168.1.7:4310', 'x@localhost'])(
    '%s is not: nothing is told',
    async (host) => {
      const { body } = await get('/api/jobs').set('Host', host).expect(403)
      expect(body.error.code).toBe('HOST_REFUSED')
    },
  )
})

describe('file names that are offered', () => {
  it.each([
    ['Otterholm Wildlife Hospital', 'Otterholm-Wildlife-Hospital.pdf'],
    ['../../etc/passwd', 'etc-passwd.pdf'],
    ['a"; filename="x.exe', 'a-filename-x-exe.pdf'],
    ['Łódź żółw', 'odz-zo-w.pdf'],
    ['\r\nSet-Cookie: x', 'Set-Cookie-x.pdf'],
    ['***', 'job.pdf'],
    ['x'.repeat(300), `${'x'.repeat(60)}.pdf`],
  ])('%j is offered as %s', (name, offered) => expect(fileName(name, 'pdf')).toBe(offered))
})
