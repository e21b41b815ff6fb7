import { type Request, type RequestHandler, Router } from 'express'
import { type BackupSummary, routes } from '@nachtigal/contract/api'
import { AppError } from '../appError'
import { jsonOnly } from './jsonOnly'

/** What can be done with backups from a page. */
export interface BackupDesk {
  list(): Promise<readonly BackupSummary[]>
  make(): Promise<string>
  restore(name: string): Promise<void>
}

const LOOPBACK = /^(::1|127\.|::ffff:127\.)/

/** Whether a request comes from the machine itself, and not through something on it that speaks for others. */
export const isAtMachine = (request: Pick<Request, 'socket' | 'headers'>): boolean =>
  LOOPBACK.test(request.socket.remoteAddress ?? '') &&
  !['forwarded', 'x-forwarded-for', 'x-real-ip', 'via'].some((name) => request.headers[name] !== undefined)

const atMachineOnly: RequestHandler = (request, _response, next) => {
  if (!isAtMachine(request))
    throw new AppError('NOT_AT_MACHINE', 'backups are made and restored by the person at the server\u2019s machine')
  next()
}

/** What kept a backup from being made is said as it is: whoever asked sits at the machine and can mend it. */
async function inWords<T>(what: string, work: () => Promise<T>): Promise<T> {
  try {
    return await work()
  } catch (error) {
    if (error instanceof AppError) throw error
    throw new AppError('BACKUP_REFUSED', `no backup ${what}: ${(error as Error).message}`, {}, error)
  }
}

/** Backups: listed, made, brought back; by whoever sits at the machine. */
export function backupRoutes({ backups }: { readonly backups: BackupDesk }): Router {
  const router = Router()
  router.use('/api/backups', atMachineOnly)
  router.get(routes.backups, async (_request, response) => {
    response.json(await backups.list())
  })
  router.post(routes.backups, jsonOnly, async (_request, response) => {
    response.status(201).json({ name: await inWords('was made', () => backups.make()) })
  })
  router.post(routes.backup, jsonOnly, async (request, response) => {
    await inWords('was restored', () => backups.restore(String(request.params.name)))
    response.status(204).end()
  })
  return router
}
