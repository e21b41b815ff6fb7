import { setImmediate as turn } from 'node:timers/promises'
import { Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import { type Bounds, overBounds } from '@nachtigal/contract/bounds'
import { findCalculation, plainly, runCalculation } from '@nachtigal/core/calc/registry'
import type { CalcData } from '@nachtigal/core/calc/calculation'
import { AppError } from '../appError'
import { checkIds } from './checkIds'
import { jsonOnly } from './jsonOnly'

/** Longest that a row of inputs may hold up other requests, ms. */
const SLICE_MS = 20
const MOST_INPUTS = 20_000
/** Each input is a handful of figures, or a row of them. */
const CALC_BOUNDS: Bounds = { keys: 400_000, depth: 40 }

/**
 * One object in, one object out; an array in, an array out, where a wrong entry holds its error and the rest is answered. A long array
 * lets other requests in between.
 */
export function calcRoutes({ data }: { readonly data: CalcData }): Router {
  const router = Router()
  checkIds(router)
  return router.post(routes.calc, jsonOnly, async (request, response) => {
    const { id } = request.params as { id: string }
    const entry = findCalculation(id)
    if (!entry) throw new AppError('CALCULATION_UNKNOWN', `there is no calculation ${id}`, { field: 'id', id })
    const run = (input: unknown) => plainly(runCalculation(entry, input, data))
    const body: unknown = request.body
    const wrong = overBounds(body, CALC_BOUNDS)
    if (wrong) throw new AppError('CALCULATION_REFUSED', wrong.message, { field: 'input' })
    if (!Array.isArray(body)) {
      const outcome = run(body)
      if (!outcome.ok) throw new AppError('CALCULATION_REFUSED', outcome.error.message, { ...outcome.error })
      response.json(outcome.output)
      return
    }
    if (body.length > MOST_INPUTS)
      throw new AppError('CALCULATION_REFUSED', `input is a list of ${body.length}: at most ${MOST_INPUTS} at once`, {
        field: 'input',
      })
    const answers: unknown[] = []
    let since = performance.now()
    for (const input of body) {
      const outcome = run(input)
      answers.push(outcome.ok ? outcome.output : { error: outcome.error })
      if (performance.now() - since > SLICE_MS) {
        await turn()
        since = performance.now()
      }
    }
    response.json(answers)
  })
}
