import { execFileSync } from 'node:child_process'
import { mkdtempSync, readFileSync, rmSync, writeFileSync } from 'node:fs'
import { request } from 'node:https'
import { tmpdir } from 'node:os'
import path from 'node:path'
import type { TLSSocket } from 'node:tls'
import { afterAll, beforeAll, describe, expect, it } from '@jest/globals'
import { OpenRefused } from './db/openRefused'
import { addressOf, closed, listen, renewCertificate } from './listening'

let folder: string
const file = (name: string) => path.join(folder, name)
/** A certificate that nobody vouches for, for one name. */
const make = (name: string) =>
  execFileSync(
    'openssl',
    [
      'req',
      '-x509',
      '-newkey',
      'ec',
      '-pkeyopt',
      'ec_paramgen_curve:prime256v1',
      '-nodes',
      '-days',
      '2',
      '-subj',
      `/CN=${name}`,
    ].concat(['-keyout', file(`${name}.key`), '-out', file(`${name}.crt`)]),
    { stdio: 'ignore' },
  )
beforeAll(() => {
  folder = mkdtempSync(path.join(tmpdir(), 'nachtigal-tls-'))
  make('one.test')
  make('two.test')
})
afterAll(() => rmSync(folder, { recursive: true, force: true }))

const answering = () =>
  listen((_request, response) => response.end('here'), '127.0.0.1', 0, {
    cert: file('one.test.crt'),
    key: file('one.test.key'),
  })

/** Whose certificate is shown. */
const shownAt = (address: string) =>
  new Promise<string>((resolve, reject) => {
    const asked = request(address, { rejectUnauthorized: false, agent: false }, (answer) => {
      const { subject } = (answer.socket as TLSSocket).getPeerCertificate()
      answer.resume().on('end', () => resolve(String(subject.CN)))
    })
    asked.on('error', reject).end()
  })

describe('a certificate', () => {
  it('is served with, and taken anew when it was renewed, while the old one goes on where the new one cannot be used', async () => {
    const server = await answering()
    const address = addressOf(server, '127.0.0.1')
    expect(address).toMatch(/^https:/)
    expect(await shownAt(address)).toBe('one.test')
    renewCertificate(server, { cert: file('two.test.crt'), key: file('two.test.key') })
    expect(await shownAt(address)).toBe('two.test')
    expect(() => renewCertificate(server, { cert: file('one.test.crt'), key: file('two.test.key') })).toThrow(
      OpenRefused,
    )
    expect(await shownAt(address)).toBe('two.test')
    await closed(server)
  })
  it.each([
    [
      'that is not there',
      () => ({ cert: file('none.crt'), key: file('one.test.key') }),
      /certificate .*none\.crt cannot be read/,
    ],
    [
      'with the key of another',
      () => ({ cert: file('one.test.crt'), key: file('two.test.key') }),
      /cannot be used together/,
    ],
    [
      'that is none',
      () => {
        writeFileSync(file('no.crt'), readFileSync(file('one.test.crt')).subarray(0, 90))
        return { cert: file('no.crt'), key: file('one.test.key') }
      },
      /cannot be used together/,
    ],
  ])('%s is refused in words', async (_, files, says) => {
    await expect(async () => listen(() => undefined, '127.0.0.1', 0, files())).rejects.toThrow(says)
  })
})
