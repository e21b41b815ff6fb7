import { randomUUID } from 'node:crypto'
import { Agent, get, request } from 'node:http'
import { setTimeout as pause } from 'node:timers/promises'
import type { JobFile } from '@nachtigal/contract/api'
import type { Command } from '@nachtigal/core/document/command'

/** Fitters at work: so many jobs, so many at each, each with a change a second. */
interface Load {
  /** Addresses of the servers: fitters are dealt to them in turn, so that those at one job sit at different ones. */
  readonly urls: readonly string[]
  readonly jobs: number
  readonly perJob: number
  readonly seconds: number
  /** Each keeps the line on which changes are told, and reads what it lacks, as a page does. */
  readonly reading: boolean
}

/** What they felt, ms from sending to the answer. */
interface Felt {
  readonly changes: number
  readonly refused: number
  readonly p50: number
  readonly p99: number
  readonly worst: number
  /** Changes of others that were told and read. */
  readonly read: number
}

const quantile = (sorted: readonly number[], share: number) =>
  sorted[Math.min(sorted.length - 1, Math.floor(sorted.length * share))] ?? 0

interface Told {
  readonly sequence: number
  readonly after?: number
  readonly commands?: readonly unknown[]
}

/** One fitter: a connection that stays open, a loop of its own, and what stands in it. */
class Typist {
  private readonly agent = new Agent({ keepAlive: true, maxSockets: 2 })
  private text: string | null = null
  private seen = 0
  private line: ReturnType<typeof get> | undefined
  read = 0

  constructor(
    private readonly url: string,
    private readonly jobId: string,
    private readonly loopId: string,
  ) {}

  /** A line that was kept open may be closed by the server in the very moment that it is used: then once more. */
  private ask(method: 'GET' | 'POST', path: string, body?: object) {
    return this.once(method, path, body).catch(async () => {
      await pause(20)
      return this.once(method, path, body)
    })
  }

  private once(method: 'GET' | 'POST', path: string, body?: object) {
    return new Promise<{ readonly status: number; readonly text: string }>((resolve, reject) => {
      const sent = request(
        `${this.url}${path}`,
        { method, agent: this.agent, headers: body ? { 'content-type': 'application/json' } : {} },
        (answer) => {
          let text = ''
          answer.on('data', (chunk: Buffer) => {
            text += chunk.toString()
          })
          answer.on('end', () => resolve({ status: answer.statusCode ?? 0, text }))
        },
      )
      sent.on('error', reject)
      sent.end(body && JSON.stringify(body))
    })
  }

  send(change: Command['change']) {
    const command: Command = {
      id: randomUUID(),
      jobId: this.jobId,
      loopId: this.loopId,
      baseRevision: 0,
      at: new Date().toISOString(),
      by: 'Ann Oakes',
      change,
    }
    return this.ask('POST', `/api/jobs/${this.jobId}/commands`, command)
  }

  /** Types one thing. @returns ms until it was answered, nothing where it was refused */
  async type(): Promise<number | undefined> {
    const to = `Slow to warm, seen ${randomUUID()}`
    const from = performance.now()
    const { status } = await this.send([{ document: this.loopId, path: ['survey', 'complaint'], from: this.text, to }])
    if (status !== 200) return undefined
    this.text = to
    return performance.now() - from
  }

  /** Listens for changes, and fetches those that were not told whole. */
  listen() {
    let text = ''
    this.line = get(`${this.url}/api/jobs/${this.jobId}/changes`, { agent: false }, (answer) => {
      answer.on('data', (chunk: Buffer) => {
        const told = (text + chunk.toString()).split('\n\n')
        text = told.pop()!
        for (const each of told) if (each.startsWith('data: ')) this.hear(JSON.parse(each.slice(6)) as Told)
      })
    })
    this.line.on('error', () => undefined)
  }

  private hear({ sequence, after, commands }: Told) {
    const from = this.seen
    if (sequence <= from) return
    this.seen = sequence
    if (from === 0) return
    if (commands && after === from) this.read += commands.length
    else void this.fetch(from)
  }

  private async fetch(after: number) {
    const { status, text } = await this.ask('GET', `/api/jobs/${this.jobId}/since/${after}`)
    if (status === 200) this.read += (JSON.parse(text) as { commands?: unknown[] }).commands?.length ?? 0
  }

  close() {
    this.line?.destroy()
    this.agent.destroy()
  }
}

/**
 * Lets fitters work for a while on jobs as large as a real one.
 * @param like a job as it is in the field
 * @param begun called when the jobs are made and typing begins
 */
export async function typists(
  { urls, jobs, perJob, seconds, reading }: Load,
  like: JobFile,
  begun: () => void = () => undefined,
): Promise<Felt> {
  const loops = Object.values(like.loops)
  const all: Typist[] = []
  for (let j = 0; j < jobs; j++) {
    const jobId = randomUUID()
    for (let n = 0; n < perJob; n++) {
      const loopId = randomUUID()
      const typist = new Typist(urls[n % urls.length]!, jobId, loopId)
      const { survey, ...loop } = loops[n % loops.length]!
      const { complaint: _complaint, ...asked } = survey
      const made = [
        ...(n === 0 ? [{ document: jobId, path: [], from: null, to: { ...like.job, id: jobId } }] : []),
        { document: loopId, path: [], from: null, to: { ...loop, id: loopId, jobId, handover: {}, survey: asked } },
      ]
      const { status, text } = await typist.send(made as Command['change'])
      if (status !== 200) throw new Error(`the job was refused: ${text}`)
      all.push(typist)
    }
  }
  if (reading) for (const typist of all) typist.listen()
  await pause(500)
  begun()
  const took: number[] = []
  let refused = 0
  const until = performance.now() + seconds * 1000
  await Promise.all(
    all.map(async (typist, i) => {
      // Not all in the same moment: people do not type in step.
      await pause((1000 * i) / all.length)
      while (performance.now() < until) {
        const next = performance.now() + 1000
        const felt = await typist.type()
        if (felt === undefined) refused++
        else took.push(felt)
        await pause(Math.max(0, next - performance.now()))
      }
    }),
  )
  const read = all.reduce((sum, typist) => sum + typist.read, 0)
  for (const typist of all) typist.close()
  took.sort((a, b) => a - b)
  return {
    changes: took.length,
    refused,
    p50: quantile(took, 0.5),
    p99: quantile(took, 0.99),
    worst: took.at(-1) ?? 0,
    read,
  }
}
