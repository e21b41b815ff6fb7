import { accessSync, constants } from 'node:fs'
import { statfs } from 'node:fs/promises'
import type { RequestHandler } from 'express'
import type { Health } from '@nachtigal/contract/api'
import { AppError } from './appError'
import { troubleWords } from './db/availability'
import type { OpenDatabase } from './db/openDatabase'

const MB = 1024 * 1024

interface Disk {
  readonly freeMb: number
  readonly writable: boolean
}

async function diskOf(folder: string): Promise<Disk> {
  const { bavail, bsize } = await statfs(folder)
  let writable = true
  try {
    accessSync(folder, constants.W_OK)
  } catch {
    writable = false
  }
  return { freeMb: Math.floor((bavail * bsize) / MB), writable }
}

/** How the server is, as it finds when it is asked: database, disk, lock and version. */
export async function healthOf(
  { engine, availability, embedded }: OpenDatabase,
  version: string,
  probe: () => Promise<unknown>,
): Promise<Health> {
  if (!availability.away)
    try {
      await probe()
    } catch (error) {
      availability.failed(error)
    }
  const { away } = availability
  const disk = embedded ? await diskOf(embedded.folder).catch(() => undefined) : undefined
  const state = away?.kind ?? (disk && !disk.writable ? 'read-only' : disk && disk.freeMb < 1 ? 'full' : 'here')
  return {
    ready: state === 'here',
    version,
    database: { engine, state, ...(away ? { since: away.since } : {}) },
    ...(disk ? { disk } : {}),
    ...(embedded ? { lock: embedded.holder } : {}),
  }
}

/** A disk is looked at this often while things are written. */
const LOOK_MS = 1000

/**
 * Refuses to write where hardly any room is left, before the engine meets a full disk in the middle of something: what is typed waits
 * on its device and is sent when there is room again.
 * @param leastMb room that must be left
 */
export function refuseWithoutRoom(folder: string, leastMb: number): RequestHandler {
  let looked = 0
  let disk: Disk | undefined
  return async (request, _response, next) => {
    // A calculation is sent, but nothing of it is kept.
    if (request.method === 'GET' || request.method === 'HEAD' || request.path.startsWith('/calc/')) {
      next()
      return
    }
    if (performance.now() - looked > LOOK_MS || looked === 0) {
      looked = performance.now()
      disk = await diskOf(folder).catch(() => undefined)
    }
    if (disk && !disk.writable) throw new AppError('DATABASE_AWAY', troubleWords['read-only'], {})
    if (disk && disk.freeMb < leastMb)
      throw new AppError('DISK_FULL', `${troubleWords.full} (${disk.freeMb} MB are left, ${leastMb} are needed)`, {
        freeMb: disk.freeMb,
        leastMb,
      })
    next()
  }
}
