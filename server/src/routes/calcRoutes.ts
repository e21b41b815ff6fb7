import { Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import { findCalculation, plainly, runCalculation } from '@nachtigal/core/calc/registry'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import { AppError } from '../appError'

/** One object in, one object out; an array in, an array out, where a wrong entry holds its error and the rest is answered. */
export function calcRoutes({ data }: { readonly data: CalcData }): Router {
  return Router().post(routes.calc, (request, response) => {
    const entry = findCalculation(request.params.id)
    if (!entry)
      throw new AppError('CALCULATION_UNKNOWN', `there is no calculation ${request.params.id}`, {
        id: request.params.id,
      })
    const run = (input: unknown) => {
      const outcome = plainly(runCalculation(entry, input, data))
      return outcome.ok ? outcome.output : { error: outcome.error }
    }
    const body: unknown = request.body
    if (Array.isArray(body)) {
      response.json(body.map(run))
      return
    }
    const outcome = plainly(runCalculation(entry, body, data))
    if (!outcome.ok) throw new AppError('CALCULATION_REFUSED', outcome.error.message, { ...outcome.error })
    response.json(outcome.output)
  })
}
