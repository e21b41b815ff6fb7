import { Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import { overBounds, SHELF_BOUNDS } from '@nachtigal/contract/bounds'
import { profileRefusal } from '@nachtigal/contract/profileRefusal'
import { judgeShelfFile } from '@nachtigal/contract/shelfFile'
import { unstorable } from '@nachtigal/contract/storable'
import type { DeviceProfile } from '@nachtigal/core/device/deviceProfile'
import { AppError } from '../appError'
import { checkIds } from './checkIds'
import { jsonOnly } from './jsonOnly'
import { inSlices } from '../store/checkDocument'
import type { ShelfStore } from '../store/shelfStore'

/** The shelf: read, put a device on it, bring a file of devices, take one off. */
export function shelfRoutes({ shelf }: { readonly shelf: ShelfStore }): Router {
  const router = Router()
  checkIds(router)
  router.get(routes.shelf, async (_request, response) => {
    response.json(await shelf.read())
  })
  router.put(routes.shelfDevice, jsonOnly, async (request, response) => {
    const body: unknown = request.body
    const wrong = overBounds(body, SHELF_BOUNDS) ?? profileRefusal(body) ?? unstorable(body)
    if (wrong) throw new AppError('DEVICE_REFUSED', wrong.message, { ...wrong })
    const profile = body as DeviceProfile
    if (profile.id !== request.params.deviceId)
      throw new AppError('DEVICE_REFUSED', `id is ${profile.id}: it must be the device of the address`, { field: 'id' })
    response.json({ profiles: await shelf.put([profile]) })
  })
  router.post(routes.shelfImport, jsonOnly, async (request, response) => {
    const wrong = overBounds(request.body, SHELF_BOUNDS) ?? unstorable(request.body)
    if (wrong) throw new AppError('DEVICE_REFUSED', wrong.message, { ...wrong })
    const read = await inSlices(judgeShelfFile(request.body))
    if (!read.ok) throw new AppError('DEVICE_REFUSED', read.wrong.message, { ...read.wrong })
    response.status(201).json({ profiles: await shelf.put(read.profiles) })
  })
  router.delete(routes.shelfDevice, async (request, response) => {
    await shelf.takeOff(request.params.deviceId)
    response.status(204).end()
  })
  return router
}
