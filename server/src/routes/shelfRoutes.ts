import { Router } from 'express'
import { routes } from '@nachtigal/contract/api'
import { profileRefusal } from '@nachtigal/contract/profileRefusal'
import { readShelfFile } from '@nachtigal/contract/shelfFile'
import type { DeviceProfile } from '@nachtigal/core/profile/deviceProfile'
import { AppError } from '../appError'
import { checkStorable } from './checkStorable'
import type { ShelfStore } from '../store/shelfStore'

/** The shelf: read, put a device on it, bring a file of devices, take one off. */
export function shelfRoutes({ shelf }: { readonly shelf: ShelfStore }): Router {
  const router = Router()
  router.get(routes.shelf, async (_request, response) => {
    response.json(await shelf.read())
  })
  router.put(routes.shelfDevice, async (request, response) => {
    const body: unknown = request.body
    const wrong = profileRefusal(body)
    if (wrong) throw new AppError('DEVICE_REFUSED', wrong.message, { ...wrong })
    checkStorable(body, 'DEVICE_REFUSED')
    const profile = body as DeviceProfile
    if (profile.id !== request.params.deviceId)
      throw new AppError('DEVICE_REFUSED', `id is ${profile.id}: it must be the device of the address`, { field: 'id' })
    response.json({ profiles: await shelf.put([profile]) })
  })
  router.post(routes.shelfImport, async (request, response) => {
    const read = readShelfFile(request.body)
    if (!read.ok) throw new AppError('DEVICE_REFUSED', read.wrong.message, { ...read.wrong })
    checkStorable(request.body, 'DEVICE_REFUSED')
    response.status(201).json({ profiles: await shelf.put(read.profiles) })
  })
  router.delete(routes.shelfDevice, async (request, response) => {
    await shelf.takeOff(request.params.deviceId)
    response.status(204).end()
  })
  return router
}
