import { pipeline } from 'node:stream/promises'
import { Readable } from 'node:stream'
import { raw, type Request, type Response, Router } from 'express'
import { type LogWanted, routes } from '@nachtigal/contract/api'
import { COMMAND_BOUNDS, overBounds } from '@nachtigal/contract/bounds'
import { refusal } from '@nachtigal/contract/check'
import { commandSchema } from '@nachtigal/contract/commandSchema'
import { MOST_PHOTO_BYTES } from '@nachtigal/contract/jobFileSchema'
import { unstorable } from '@nachtigal/contract/storable'
import type { Command } from '@nachtigal/core/document/command'
import { type LogKind, logKinds } from '@nachtigal/core/document/logKind'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { AppError } from '../appError'
import { jobOverview } from '../reports/jobOverview'
import { jobFileOut } from '../reports/jobFileOut'
import { logCsv, logJson } from '../reports/logCsv'
import type { JobStore } from '../store/jobStore'
import { checkIds } from './checkIds'
import { jsonOnly } from './jsonOnly'

/** A command as it came, counted before it is looked at. @throws AppError naming what is wrong */
function commandOf(body: unknown): Command {
  const wrong = overBounds(body, COMMAND_BOUNDS) ?? refusal(commandSchema, body) ?? unstorable(body)
  if (wrong) throw new AppError('COMMAND_REFUSED', wrong.message, { ...wrong })
  return body as Command
}

/** Numbers of log rows that the database can hold. */
const MOST_SEQUENCE = 2_000_000_000
const isSequence = (value: number, least: number) => Number.isInteger(value) && value >= least && value <= MOST_SEQUENCE

/** A number of a row, from the address. @throws AppError where it is none */
function sequenceOf(text: string | undefined, least: number): number {
  const sequence = Number(text)
  if (text === undefined || text === '' || !isSequence(sequence, least))
    throw new AppError('ROW_UNKNOWN', `sequence is ${(text ?? '').slice(0, 20)}: it takes a row\u2019s number`, {
      field: 'sequence',
    })
  return sequence
}

/** Sends pieces as they are made; a reader that went away ends the making. */
async function stream(response: Response, source: AsyncIterable<string> | Readable) {
  try {
    await pipeline(source instanceof Readable ? source : Readable.from(source), response)
  } catch (error) {
    // Somebody who closed the page is no fault; any other one cannot be said in words any more.
    if ((error as NodeJS.ErrnoException).code !== 'ERR_STREAM_PREMATURE_CLOSE') throw error
  }
}

/** Longest text that a log is searched for. */
const MOST_WORDS = 100

/** What is wanted of a log, from the address; what makes no sense there does not count. */
function wantedOf(query: Request['query']): LogWanted {
  const text = (name: string) => {
    const value = query[name]
    return typeof value === 'string' && value !== '' ? value.slice(0, MOST_WORDS) : undefined
  }
  const before = Number(text('before'))
  const kind = text('kind')
  return {
    before: isSequence(before, 1) ? before : undefined,
    loop: text('loop'),
    by: text('by'),
    words: text('words'),
    kind: kind !== undefined && Object.hasOwn(logKinds, kind) ? (kind as LogKind) : undefined,
  }
}

const LOG_PAGE = 200

/** A file name that any system takes: letters and digits of the job's name, nothing else. */
export const fileName = (name: string, ending: string) =>
  `${
    name
      .normalize('NFKD')
      .replace(/\p{M}+/gu, '')
      .replace(/[^\w-]+/g, '-')
      .replace(/^-+|-+$/g, '')
      .slice(0, 60) || 'job'
  }.${ending}`

interface Deps {
  readonly store: JobStore
  readonly data: FieldData
  /** Opens the demo jobs where they are not here yet. */
  readonly openDemo?: () => Promise<{ readonly jobId: string }>
}

/** Jobs: list, read, commands, log, file out and in. Each parses, asks the store, replies. */
export function jobRoutes({ store, data, openDemo }: Deps): Router {
  const router = Router()
  checkIds(router)
  router.get(routes.jobs, async (_request, response) => {
    response.json(await store.list())
  })
  router.get(routes.job, async (request, response) => {
    response.json(await store.read(request.params.jobId))
  })
  router.get(routes.overview, async (request, response) => {
    const { jobId } = request.params
    const [state, { rows }] = await Promise.all([store.read(jobId), store.log(jobId, 1)])
    response.json(await jobOverview(state, rows[0], data))
  })
  router.post(routes.commands, jsonOnly, async (request, response) => {
    const command = commandOf(request.body)
    if (command.jobId !== request.params.jobId)
      throw new AppError('COMMAND_REFUSED', `jobId is ${command.jobId}: it must be the job of the address`, {
        field: 'jobId',
      })
    response.json(await store.apply(command))
  })
  router.get(routes.log, async (request, response) => {
    response.json(await store.log(request.params.jobId, LOG_PAGE, wantedOf(request.query)))
  })
  router.get(routes.logVerify, async (request, response) => {
    const { from } = request.query
    const start = from === undefined ? undefined : sequenceOf(typeof from === 'string' ? from : '', 0)
    response.json(await store.verify(request.params.jobId, start))
  })
  router.get(routes.logJson, async (request, response) => {
    const record = await store.record(request.params.jobId)
    response.type('application/json').attachment(fileName(`${record.name}-log`, 'json'))
    await stream(response, logJson(record))
  })
  router.get(routes.logCsv, async (request, response) => {
    const record = await store.record(request.params.jobId)
    response.type('text/csv; charset=utf-8').attachment(fileName(`${record.name}-log`, 'csv'))
    await stream(response, logCsv(record))
  })
  router.get(routes.since, async (request, response) => {
    response.json(await store.since(request.params.jobId, sequenceOf(request.params.sequence, 0)))
  })
  router.put(routes.photo, raw({ type: () => true, limit: MOST_PHOTO_BYTES }), async (request, response) => {
    const { jobId = '', hash = '' } = request.params as Record<string, string>
    await store.putPhoto(jobId, hash, Buffer.isBuffer(request.body) ? request.body : new Uint8Array())
    response.status(204).end()
  })
  router.get(routes.photo, async (request, response) => {
    const { type, body } = await store.photo(request.params.jobId, request.params.hash)
    response.type(type).setHeader('Cache-Control', 'private, max-age=31536000, immutable')
    response.send(Buffer.from(body))
  })
  router.get(routes.at, async (request, response) => {
    response.json(await store.at(request.params.jobId, sequenceOf(request.params.sequence, 1)))
  })
  router.get(routes.file, async (request, response) => {
    const file = await store.exportFile(request.params.jobId)
    const zipped = file.photos.length > 0
    response
      .type(zipped ? 'application/zip' : 'application/json')
      .attachment(fileName(file.name, zipped ? 'nachtigal.zip' : 'nachtigal.json'))
    await stream(response, jobFileOut(file))
  })
  router.post(routes.import, async (request, response) => {
    try {
      const body = request.iterator({ destroyOnReturn: false })
      response.status(201).json(await store.importFile(body as AsyncIterable<Uint8Array>))
    } catch (error) {
      // What is still on its way is let run out, so that the answer is heard.
      request.resume()
      throw error
    }
  })
  if (openDemo)
    router.post(routes.demo, jsonOnly, async (_request, response) => {
      response.json(await openDemo())
    })
  return router
}
