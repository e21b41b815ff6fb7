import type { RequestHandler } from 'express'
import { AppError } from '../appError'

/** Before a route that takes JSON: says what is missing where none came, rather than taking it for an empty one. */
export const jsonOnly: RequestHandler = (request, _response, next) => {
  if (request.body !== undefined) {
    next()
    return
  }
  throw request.is('json') === false
    ? new AppError('BODY_UNSUPPORTED', 'what was sent is not said to be JSON: Content-Type must be application/json')
    : new AppError('BODY_INVALID', 'what was sent is no JSON')
}
