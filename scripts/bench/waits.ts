/** What one request costs another: the longest wait of a small question while a large one is under way; and what long logs cost. */
import { spawn } from 'node:child_process'
import { randomUUID } from 'node:crypto'
import { readFileSync } from 'node:fs'
import { createInterface } from 'node:readline'
import { Readable } from 'node:stream'
import type { JobFile } from '@nachtigal/contract/api'
import { calculations } from '@nachtigal/core/calc/registry'
import { Folders, root, sendTo, ServerProcess } from '../../server/src/faults/serverProcess'
import { longJob } from '../../server/src/load/longJob'
import { command, newJob } from '../../server/src/testing'
import { told } from './goals'

/** Most that a request may keep another waiting, ms. */
const MOST_WAIT_MS = 100
/** Most that anything asked of a long log may take, ms. */
const MOST_ASKED_MS = 150
/** Most that a long log may add to the start, ms. */
const MOST_START_MS = 2000
const PROBE_EVERY_MS = 10

/**
 * Reads one job and changes it again and again until its input ends, then says the longest wait: a program of its own, which nothing here
 * delays.
 */
const PROBE = `
  const { Agent, request } = require('node:http')
  const { randomUUID } = require('node:crypto')
  const [url, jobId] = process.argv.slice(1)
  const agent = new Agent({ keepAlive: true, maxSockets: 1 })
  const ask = (method, path, body) => new Promise((resolve, reject) => {
    const from = performance.now()
    request(url + '/api/jobs/' + jobId + path, { agent, method, headers: body ? { 'content-type': 'application/json' } : {} }, (answer) => {
      if (answer.statusCode !== 200) reject(new Error(method + ' answered ' + answer.statusCode))
      answer.resume().on('end', () => resolve(performance.now() - from))
    }).on('error', reject).end(body)
  })
  let changes = 0
  const change = () => ask('POST', '/commands', JSON.stringify({
    id: randomUUID(), jobId, baseRevision: 1 + changes, at: new Date().toISOString(), by: 'Probe',
    change: [{ document: jobId, path: ['place'], from: 'round ' + changes, to: 'round ' + ++changes }],
  }))
  const once = async () => Math.max(await ask('GET', ''), await change())
  let done = false
  process.stdin.on('end', () => { done = true }).resume()
  ;(async () => {
    for (let n = 0; n < 30; n++) await once()
    console.log('begun')
    let worst = 0
    while (!done) {
      worst = Math.max(worst, await once())
      await new Promise((resolve) => setTimeout(resolve, ${PROBE_EVERY_MS}))
    }
    console.log(worst)
    process.exit(0)
  })()
`

/** Reads and changes a small job of its own again and again while work is done. @returns the longest wait, ms */
async function waitDuring(url: string, work: () => Promise<unknown>): Promise<number> {
  const { create, jobId } = newJob({ place: 'round 0' })
  await sendTo(url, create)
  const child = spawn(process.execPath, ['-e', PROBE, url, jobId], { stdio: ['pipe', 'pipe', 'inherit'] })
  const lines = createInterface(child.stdout)[Symbol.asyncIterator]()
  await lines.next()
  await work()
  child.stdin.end()
  return Number((await lines.next()).value)
}

const post = async (url: string, body: BodyInit) => {
  const answer = await fetch(url, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body,
    duplex: 'half',
  } as RequestInit)
  return { status: answer.status, text: await answer.text() }
}
const get = async (url: string) => {
  const answer = await fetch(url)
  return answer.arrayBuffer()
}

const streamed = (pieces: () => Iterable<string> | AsyncIterable<string>) =>
  Readable.toWeb(Readable.from(pieces()).map((text) => Buffer.from(text as string))) as unknown as BodyInit

const keys = (count: number) => Object.fromEntries(Array.from({ length: count }, (_, i) => [`k${i}`, i]))

export async function benchWaits() {
  const folders = new Folders()
  try {
    const rows = Number(process.env['NACHTIGAL_BENCH_ROWS'] ?? 30_000)
    const folder = await folders.data()
    const empty = await startOf(folder)
    const url = await empty.server.url()
    const { create, jobId } = newJob()
    await sendTo(url, create)
    const during = async (what: string, work: () => Promise<unknown>) =>
      told(`longest wait of another during ${what}`, await waitDuring(url, work), 'ms', MOST_WAIT_MS)

    await during('a command with 80,000 keys', () =>
      post(
        `${url}/api/jobs/${jobId}/commands`,
        JSON.stringify(command(jobId, [{ document: jobId, path: ['notes'], from: {}, to: keys(80_000) }])),
      ),
    )
    await during('an import with 300,000 keys', () =>
      post(
        `${url}/api/import`,
        JSON.stringify({ format: 'nachtigal-job', version: 2, job: keys(300_000), loops: {}, log: [] }),
      ),
    )
    await during('126 MB of empty rows', () =>
      post(
        `${url}/api/import`,
        streamed(function* () {
          yield '{"format":"nachtigal-job","version":2,"log":[{}'
          for (let n = 0; n < 420; n++) yield ',{}'.repeat(100_000)
          yield ']}'
        }),
      ),
    )
    const like = JSON.parse(readFileSync(`${root}/demo/otterholm.nachtigal.json`, 'utf8')) as JobFile
    await post(`${url}/api/import`, JSON.stringify(like))
    const [loop] = Object.values(like.loops)
    await during('an as-left sheet', () => get(`${url}/api/jobs/${like.job.id}/loops/${loop!.id}/as-left.pdf`))
    await during('every example of every calculation', async () => {
      for (const { id, examples } of calculations)
        for (const { given } of examples) await post(`${url}/api/calc/${id}`, JSON.stringify(given))
    })
    await during(`the import of ${rows} rows`, () =>
      post(
        `${url}/api/import`,
        streamed(() => longJob('Long', rows)),
      ),
    )
    const jobs = JSON.parse(Buffer.from(await get(`${url}/api/jobs`)).toString()) as { id: string; name: string }[]
    const long = jobs.find(({ name }) => name === 'Long')!.id
    const at = (rest: string) => `${url}/api/jobs/${long}${rest}`
    await during('opening a long log', () => get(at('/log')))
    await during('looking a long log through', () => get(at('/log?words=pump')))
    await during('checking a long log', async () => {
      for (let from = 0; from < rows; from += 2000) await get(at(`/log/verify?from=${from}`))
    })
    await during('writing a long job out', () => get(at('/file')))

    const asked = async (what: string, path: string) => {
      await get(at(path))
      const from = performance.now()
      await get(at(path))
      told(`${rows} rows: ${what}`, performance.now() - from, 'ms', MOST_ASKED_MS)
    }
    await asked('documents', '')
    await asked('a page of the log', '/log')
    await asked('a search without a hit', '/log?words=zebra')
    await asked('a search that hits all over', '/log?words=pump')
    await asked('as it was in the middle', `/at/${Math.floor(rows / 2)}`)
    const rename = command(long, [{ document: long, path: ['name'], from: 'Long', to: 'Longer' }], { id: randomUUID() })
    const from = performance.now()
    await sendTo(url, rename)
    told(`${rows} rows: a change`, performance.now() - from, 'ms', MOST_ASKED_MS)
    await empty.server.end()
    const full = await startOf(folder)
    told(`${rows} rows: longer start than empty`, full.ms - empty.ms, 'ms', MOST_START_MS)
    await full.server.end()
  } finally {
    folders.clear()
  }
}

async function startOf(folder: string) {
  const from = performance.now()
  const server = ServerProcess.start({ folder })
  await server.url()
  return { server, ms: performance.now() - from }
}
