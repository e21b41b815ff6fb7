import path from 'node:path'
import pdfMake from 'pdfmake'

/** Sets a document definition of the PDF package and answers the file. */
export type RenderPdf = (definition: object) => Promise<Buffer>

/** @param modules folder with the shipped font packages; nothing else may be read, nothing fetched */
export function createPdfRenderer(modules: string): RenderPdf {
  const text = (weight: number) => path.join(modules, '@fontsource/b612/files', `b612-latin-${weight}-normal.woff`)
  const head = path.join(modules, '@fontsource/barlow-condensed/files/barlow-condensed-latin-600-normal.woff')
  const mono = path.join(modules, '@fontsource/b612-mono/files/b612-mono-latin-400-normal.woff')
  const fallback = path.join(modules, 'dejavu-fonts-ttf/ttf/DejaVuSans.ttf')
  const fallbackBold = path.join(modules, 'dejavu-fonts-ttf/ttf/DejaVuSans-Bold.ttf')
  const files = new Set([text(400), text(700), head, mono, fallback, fallbackBold])
  pdfMake.setFonts({
    B612: { normal: text(400), bold: text(700) },
    Barlow: { normal: head, bold: head },
    Mono: { normal: mono, bold: mono },
    Fallback: { normal: fallback, bold: fallbackBold },
  })
  pdfMake.setUrlAccessPolicy(() => false)
  pdfMake.setLocalAccessPolicy((file) => files.has(file))
  return (definition) => pdfMake.createPdf(definition).getBuffer()
}
