import { loopContext, type LoopContext } from '@nachtigal/core/loop/context'
import type { JobDocument, LoopDocument } from '@nachtigal/core/document/documents'
import type { FieldData } from '@nachtigal/core/plant/fieldValue'
import { cutOutOf } from '@nachtigal/core/wiring/cutOut'
import { AppError } from '../appError'
import { asLeftSheet } from '../reports/asLeftSheet'
import { keyingCsv, keyingPdf } from '../reports/keyingSheets'
import { layPicture } from '../reports/layPicture'
import { ownersPage, panelCard } from '../reports/ownerSheets'
import type { RenderPdf } from '../reports/renderPdf'
import { safetySheet } from '../reports/safetySheet'
import type { Stamp } from '../reports/sheetParts'
import { testSheet } from '../reports/testSheet'
import { cutOutSheet, labelsSheet, pictureSheet, wiresSheet } from '../reports/wireSheets'
import { wiresCsv } from '../reports/wiresCsv'

/** One sheet of one loop, with all that it is made of. */
export interface SheetOrder {
  readonly sheet: SheetName
  readonly job: JobDocument
  readonly loops: Readonly<Record<string, LoopDocument>>
  readonly loopId: string
  readonly stamp: Stamp
  /** The device that it is about, where it is about one. */
  readonly deviceId?: string
}

/** Makes a sheet: a PDF, or a CSV. It takes long enough that it is not done where requests are answered. */
export type MakeSheet = (order: SheetOrder) => Promise<Uint8Array>

type Define = (context: LoopContext, stamp: Stamp, order: SheetOrder) => object | Promise<object>

const pdfs = {
  'as-left': asLeftSheet,
  tests: testSheet,
  'safety-steps': safetySheet,
  'panel-card': panelCard,
  'owners-page': ownersPage,
  wires: wiresSheet,
  labels: labelsSheet,
  keying: keyingPdf,
  wiring: async (context, stamp) =>
    pictureSheet(context, await layPicture(context.chain, context.rows, context.words), stamp),
  'cut-out': (context, stamp, { deviceId = '' }) => {
    const device = context.chain.devices.find(({ id }) => id === deviceId)
    const cutOut = device && cutOutOf(device.facts)
    if (!device || !cutOut)
      throw new AppError('DEVICE_UNKNOWN', `there is no device ${deviceId} with a panel cut-out in this loop`, {
        field: 'deviceId',
      })
    return cutOutSheet(context, device, cutOut, stamp)
  },
} satisfies Readonly<Record<string, Define>>
const csvs = { 'wires.csv': wiresCsv, 'keying.csv': keyingCsv }

export type PdfName = keyof typeof pdfs
export type CsvName = keyof typeof csvs
export type SheetName = PdfName | CsvName

/** @param data field data that sheets reckon with */
export const sheetMaker =
  (data: FieldData, renderPdf: RenderPdf): MakeSheet =>
  async (order) => {
    const { sheet, job, loops, loopId, stamp } = order
    const context = loopContext(job, loops[loopId]!, data, job, Object.values(loops))
    if (sheet in csvs) return Buffer.from(csvs[sheet as CsvName](context), 'utf8')
    const define: Define = pdfs[sheet as PdfName]
    return renderPdf(await define(context, stamp, order))
  }
