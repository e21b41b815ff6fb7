import { raw, type Request, Router } from 'express'
import type { Schema } from 'yup'
import { type JobFile, type LogWanted, routes } from '@nachtigal/contract/api'
import { refusal } from '@nachtigal/contract/check'
import { commandSchema } from '@nachtigal/contract/commandSchema'
import {
  JOB_FILE_VERSION,
  jobFileSchema,
  MOST_PHOTO_BYTES,
  olderJobFileSchema,
} from '@nachtigal/contract/jobFileSchema'
import type { Command } from '@nachtigal/core/job/command'
import { type LogKind, logKinds } from '@nachtigal/core/job/logKind'
import { AppError } from '../appError'
import { checkStorable } from './checkStorable'
import { logCsv } from '../reports/logCsv'
import type { JobStore } from '../store/jobStore'

function accept<T>(schema: Schema, body: unknown, code: 'COMMAND_REFUSED' | 'FILE_REFUSED'): T {
  const wrong = refusal(schema, body)
  if (wrong) throw new AppError(code, wrong.message, { ...wrong })
  checkStorable(body, code)
  return body as T
}

/** Said first of a file that is something else altogether, before its parts are looked at. */
function checkFormat(body: unknown) {
  const format = (body as { format?: unknown } | null)?.format
  if (format !== 'nachtigal-job')
    throw new AppError(
      'FILE_REFUSED',
      `this is no job file: format is ${JSON.stringify(format ?? null).slice(0, 40)}, it must be "nachtigal-job"`,
      {
        field: 'format',
      },
    )
}

/** The shape that a file of its version must have. A newer one is not ours to read, and says what to do. */
function shapeOfVersion(body: unknown) {
  const { version } = body as { version?: unknown }
  if (typeof version === 'number' && version > JOB_FILE_VERSION)
    throw new AppError(
      'FILE_REFUSED',
      `version is ${version}: this file was written by a newer Nachtigal; this one reads up to ${JOB_FILE_VERSION}. Update this bench, then open it again. Nothing was changed.`,
      { field: 'version' },
    )
  return version === JOB_FILE_VERSION ? jobFileSchema : olderJobFileSchema
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
    before: Number.isInteger(before) && before > 0 ? before : undefined,
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

/** Jobs: list, read, commands, log, file out and in. Each parses, asks the store, replies. */
export function jobRoutes({ store }: { readonly store: JobStore }): Router {
  const router = Router()
  router.get(routes.jobs, async (_request, response) => {
    response.json(await store.list())
  })
  router.get(routes.job, async (request, response) => {
    response.json(await store.read(request.params.jobId))
  })
  router.post(routes.commands, async (request, response) => {
    const command = accept<Command>(commandSchema, request.body, 'COMMAND_REFUSED')
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
    response.json(await store.verify(request.params.jobId))
  })
  router.get(routes.logJson, async (request, response) => {
    const { name, rows } = await store.record(request.params.jobId)
    response.attachment(fileName(`${name}-log`, 'json')).json(rows)
  })
  router.get(routes.logCsv, async (request, response) => {
    const record = await store.record(request.params.jobId)
    const text = logCsv(record, record.rows)
    response
      .type('text/csv; charset=utf-8')
      .attachment(fileName(`${record.name}-log`, 'csv'))
      .send(text)
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
    const sequence = Number(request.params.sequence)
    if (!Number.isInteger(sequence) || sequence < 1)
      throw new AppError(
        'ROW_UNKNOWN',
        `sequence is ${request.params.sequence.slice(0, 20)}: it takes a row\u2019s number`,
        { field: 'sequence' },
      )
    response.json(await store.at(request.params.jobId, sequence))
  })
  router.get(routes.file, async (request, response) => {
    const file = await store.exportFile(request.params.jobId)
    response.attachment(fileName(file.job.name, 'nachtigal.json')).json(file)
  })
  router.post(routes.import, async (request, response) => {
    checkFormat(request.body)
    const schema = shapeOfVersion(request.body)
    response.status(201).json(await store.importFile(accept<JobFile>(schema, request.body, 'FILE_REFUSED')))
  })
  return router
}
