import { Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import { loopContext } from '@nachtigal/core/check/context'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { AppError } from '../appError'
import { asLeftSheet } from '../reports/asLeftSheet'
import type { RenderPdf } from '../reports/renderPdf'
import type { JobStore } from '../store/jobStore'
import { fileName } from './jobRoutes'

/** Printed sheets, made on the server with its own fonts. */
export function sheetRoutes({
  store,
  data,
  renderPdf,
  now,
}: {
  readonly store: JobStore
  readonly data: FieldData
  readonly renderPdf: RenderPdf
  readonly now: () => string
}): Router {
  return Router().get(routes.asLeft, async (request, response) => {
    const { jobId, loopId } = request.params
    const { job, loops } = await store.read(jobId)
    const loop = loops[loopId]
    if (!loop) throw new AppError('LOOP_UNKNOWN', `there is no loop ${loopId} in this job`, { loopId })
    const { rows } = await store.log(jobId, 1)
    const pdf = await renderPdf(
      asLeftSheet(loopContext(job, loop, data, job, Object.values(loops)), {
        printedAt: now(),
        hash: rows[0]?.hash ?? '',
      }),
    )
    response
      .type('application/pdf')
      .setHeader('Content-Disposition', `inline; filename="${fileName(`${loop.name}-as-left`, 'pdf')}"`)
    response.send(pdf)
  })
}
