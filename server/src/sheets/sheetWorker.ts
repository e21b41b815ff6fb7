import { parentPort, workerData } from 'node:worker_threads'
import { expose, transfer } from 'comlink'
import nodeEndpoint from 'comlink/dist/esm/node-adapter.mjs'
import { AppError } from '../appError'
import { createPdfRenderer } from '../reports/renderPdf'
import { type SheetOrder, sheetMaker } from './sheetMaker'
import type { SheetAnswer, SheetGiven } from './sheetThread'

const { data, modules } = workerData as SheetGiven
const make = sheetMaker(data, createPdfRenderer(modules))

/** An error of the closed list crosses as data: as an error it would lose its code. */
async function answer(order: SheetOrder): Promise<SheetAnswer> {
  try {
    const file = Uint8Array.from(await make(order))
    return transfer({ ok: true, file }, [file.buffer])
  } catch (error) {
    if (!(error instanceof AppError)) throw error
    return { ok: false, code: error.code, message: error.message, facts: error.facts }
  }
}

expose({ answer }, nodeEndpoint(parentPort as never))
