import type { Router } from 'express'
import { AppError } from '../appError'

/** What an id in an address may be made of: what the documents themselves allow. */
const ID = /^[\w .:>~/-]{1,200}$/
const unknown = {
  jobId: ['JOB_UNKNOWN', 'job'],
  loopId: ['LOOP_UNKNOWN', 'loop'],
  deviceId: ['DEVICE_UNKNOWN', 'device'],
  hash: ['PHOTO_UNKNOWN', 'photo'],
  id: ['CALCULATION_UNKNOWN', 'calculation'],
} as const

/** Answers 404 to an address whose id can be none, before any store is asked. */
export function checkIds(router: Router) {
  for (const [name, [code, what]] of Object.entries(unknown))
    router.param(name, (_request, _response, next, value: string) => {
      next(ID.test(value) ? undefined : new AppError(code, `there is no ${what} of that name`, { field: name }))
    })
}
