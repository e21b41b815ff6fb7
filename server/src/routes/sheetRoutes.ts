import { type Request, type Response, Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import { loopContext, type LoopContext } from '@nachtigal/core/check/context'
import { wordChange } from '@nachtigal/core/check/wordChange'
import type { JobDocument, LoopDocument } from '@nachtigal/core/job/documents'
import { changesSince } from '@nachtigal/core/job/handover'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { cutOutOf } from '@nachtigal/core/wiring/cutOut'
import { AppError } from '../appError'
import { asLeftSheet } from '../reports/asLeftSheet'
import { keyingCsv, keyingPdf } from '../reports/keyingSheets'
import { layPicture } from '../reports/layPicture'
import { ownersPage, panelCard } from '../reports/ownerSheets'
import { safetySheet } from '../reports/safetySheet'
import { testSheet } from '../reports/testSheet'
import type { RenderPdf } from '../reports/renderPdf'
import type { Stamp } from '../reports/sheetParts'
import { cutOutSheet, labelsSheet, pictureSheet, wiresSheet } from '../reports/wireSheets'
import { wiresCsv } from '../reports/wiresCsv'
import type { JobStore } from '../store/jobStore'
import { fileName } from './jobRoutes'

interface Deps {
  readonly store: JobStore
  readonly data: FieldData
  readonly renderPdf: RenderPdf
  readonly now: () => string
}

/** What of a loop was changed after it was signed, in words; nothing where it never was. */
async function sinceHandover(store: JobStore, job: JobDocument, loop: LoopDocument): Promise<string[] | undefined> {
  if (!loop.handover.signed) return undefined
  const { rows } = await store.log(job.id, SIGNINGS, { loop: loop.id, kind: 'hand-over' })
  const row = rows.find(({ command }) =>
    command.change.some(({ path, to }) => path.join('/') === 'handover/signed' && to !== null),
  )
  if (!row) return undefined
  const then = (await store.at(job.id, row.sequence)).loops[loop.id]
  return changesSince(then, loop).map((change) => {
    const { what, before, after } = wordChange(change, job)
    return `${what}: ${before} to ${after}`
  })
}
/** Rows about a hand-over that are looked through for the signature. */
const SIGNINGS = 200

/** Printed sheets and lists, made on the server with its own fonts. */
export function sheetRoutes({ store, data, renderPdf, now }: Deps): Router {
  const read = async (request: Request): Promise<{ readonly context: LoopContext; readonly stamp: Stamp }> => {
    const { jobId = '', loopId = '' } = request.params as Record<string, string>
    const { job, loops } = await store.read(jobId)
    const loop = loops[loopId]
    if (!loop) throw new AppError('LOOP_UNKNOWN', `there is no loop ${loopId} in this job`, { loopId })
    const { rows } = await store.log(jobId, 1)
    const since = await sinceHandover(store, job, loop)
    return {
      context: loopContext(job, loop, data, job, Object.values(loops)),
      stamp: { printedAt: now(), hash: rows[0]?.hash ?? '', ...(since ? { since } : {}) },
    }
  }
  const pdf =
    (what: string, define: (context: LoopContext, stamp: Stamp, request: Request) => object | Promise<object>) =>
    async (request: Request, response: Response) => {
      const { context, stamp } = await read(request)
      const file = await renderPdf(await define(context, stamp, request))
      response
        .type('application/pdf')
        .setHeader('Content-Disposition', `inline; filename="${fileName(`${context.loop.name}-${what}`, 'pdf')}"`)
      response.send(file)
    }
  const csv =
    (what: string, write: (context: LoopContext) => string) => async (request: Request, response: Response) => {
      const { context } = await read(request)
      response
        .type('text/csv; charset=utf-8')
        .setHeader('Content-Disposition', `attachment; filename="${fileName(`${context.loop.name}-${what}`, 'csv')}"`)
      response.send(write(context))
    }
  return Router()
    .get(routes.asLeft, pdf('as-left', asLeftSheet))
    .get(routes.testSheet, pdf('tests', testSheet))
    .get(routes.safetySheet, pdf('safety-steps', safetySheet))
    .get(routes.panelCard, pdf('panel-card', panelCard))
    .get(routes.ownersPage, pdf('owners-page', ownersPage))
    .get(routes.wiresPdf, pdf('wires', wiresSheet))
    .get(routes.labels, pdf('labels', labelsSheet))
    .get(
      routes.picture,
      pdf('wiring', async (context, stamp) =>
        pictureSheet(context, await layPicture(context.chain, context.rows), stamp),
      ),
    )
    .get(
      routes.cutOut,
      pdf('cut-out', (context, stamp, request) => {
        const { deviceId = '' } = request.params as Record<string, string>
        const device = context.chain.devices.find(({ id }) => id === deviceId)
        const cutOut = device && cutOutOf(device.facts)
        if (!device || !cutOut)
          throw new AppError('DEVICE_UNKNOWN', `there is no device ${deviceId} with a panel cut-out in this loop`, {
            field: 'deviceId',
          })
        return cutOutSheet(context, device, cutOut, stamp)
      }),
    )
    .get(routes.keyingPdf, pdf('keying', keyingPdf))
    .get(routes.wiresCsv, csv('wires', wiresCsv))
    .get(routes.keyingCsv, csv('keying', keyingCsv))
}
