import { type Request, type Response, Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import { judge } from '@nachtigal/contract/check'
import { documentSchema } from '@nachtigal/contract/documentSchemas'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { AnyDocument, JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import { changesSince, signs } from '@nachtigal/core/document/handover'
import { AppError } from '../appError'
import type { CsvName, MakeSheet, PdfName, SheetName } from '../sheets/sheetMaker'
import { inSlices } from '../store/checkDocument'
import type { JobStore } from '../store/jobStore'
import { checkIds } from './checkIds'
import { fileName } from './jobRoutes'

interface Deps {
  readonly store: JobStore
  readonly makeSheet: MakeSheet
  readonly now: () => string
  /** Where others reach the bench; left out where nobody does. */
  readonly baseAddress?: string
}

/** What of a loop was changed after it was signed, in words; nothing where it never was. */
async function sinceHandover(store: JobStore, job: JobDocument, loop: LoopDocument): Promise<string[] | undefined> {
  if (!loop.handover.signed) return undefined
  const { rows } = await store.log(job.id, SIGNINGS, { loop: loop.id, kind: 'hand-over' })
  const row = rows.find(({ command }) => signs(command))
  if (!row) return undefined
  const then = (await store.at(job.id, row.sequence)).loops[loop.id]
  return changesSince(then, loop).map((change) => {
    const { what, before, after } = wordChange(change, job)
    return `${what}: ${before} to ${after}`
  })
}
/** Rows about a hand-over that are looked through for the signature. */
const SIGNINGS = 200

/**
 * The loops that a sheet may reckon with: what cannot be read is left out.
 * @throws AppError where the job itself or the loop that is asked for is such
 */
async function soundLoops(job: JobDocument, loops: Readonly<Record<string, LoopDocument>>, loopId: string) {
  const wrongIn = (id: string, document: AnyDocument) => inSlices(judge(documentSchema(id, job.id), document))
  const sound: Record<string, LoopDocument> = {}
  for (const [id, document] of [[job.id, job] as const, ...Object.entries(loops)]) {
    const wrong = await wrongIn(id, document)
    if (wrong && (id === job.id || id === loopId))
      throw new AppError('DOCUMENT_BROKEN', `nothing is printed of what cannot be read: ${wrong.message}`, { ...wrong })
    if (!wrong && document.type === 'loop') sound[id] = document
  }
  return sound
}

/** Printed sheets and lists, made on the server with its own fonts. */
export function sheetRoutes({ store, makeSheet, now, baseAddress }: Deps): Router {
  const make = async (request: Request, sheet: SheetName) => {
    const { jobId = '', loopId = '', deviceId } = request.params as Record<string, string>
    const { job, loops: all } = await store.read(jobId)
    const loop = Object.hasOwn(all, loopId) ? all[loopId] : undefined
    if (!loop) throw new AppError('LOOP_UNKNOWN', `there is no loop ${loopId} in this job`, { loopId })
    const loops = await soundLoops(job, all, loopId)
    const { rows } = await store.log(jobId, 1)
    const since = await sinceHandover(store, job, loop)
    const stamp = {
      printedAt: now(),
      hash: rows[0]?.hash ?? '',
      ...(since ? { since } : {}),
      ...(baseAddress === undefined ? {} : { address: `${baseAddress}/jobs/${job.id}/loops/${loopId}` }),
    }
    const file = await makeSheet({ sheet, job, loops, loopId, stamp, ...(deviceId === undefined ? {} : { deviceId }) })
    return { name: loop.name, file: Buffer.from(file.buffer, file.byteOffset, file.byteLength) }
  }
  const pdf = (sheet: PdfName) => async (request: Request, response: Response) => {
    const { name, file } = await make(request, sheet)
    response
      .type('application/pdf')
      .setHeader('Content-Disposition', `inline; filename="${fileName(`${name}-${sheet}`, 'pdf')}"`)
    response.send(file)
  }
  const csv = (sheet: CsvName) => async (request: Request, response: Response) => {
    const { name, file } = await make(request, sheet)
    response
      .type('text/csv; charset=utf-8')
      .setHeader(
        'Content-Disposition',
        `attachment; filename="${fileName(`${name}-${sheet.replace(/\.csv$/, '')}`, 'csv')}"`,
      )
    response.send(file)
  }
  const router = Router()
  checkIds(router)
  return router
    .get(routes.asLeft, pdf('as-left'))
    .get(routes.testSheet, pdf('tests'))
    .get(routes.safetySheet, pdf('safety-steps'))
    .get(routes.panelCard, pdf('panel-card'))
    .get(routes.ownersPage, pdf('owners-page'))
    .get(routes.wiresPdf, pdf('wires'))
    .get(routes.labels, pdf('labels'))
    .get(routes.picture, pdf('wiring'))
    .get(routes.cutOut, pdf('cut-out'))
    .get(routes.keyingPdf, pdf('keying'))
    .get(routes.wiresCsv, csv('wires.csv'))
    .get(routes.keyingCsv, csv('keying.csv'))
}
