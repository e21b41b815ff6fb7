/** The part of the package that is used here; it ships no types. */
declare module 'pdfmake' {
  export interface PdfDocument {
    getBuffer(): Promise<Buffer>
  }
  interface PdfMake {
    setFonts(fonts: Record<string, Record<string, string>>): void
    setUrlAccessPolicy(allow: (url: string) => boolean): void
    setLocalAccessPolicy(allow: (path: string) => boolean): void
    createPdf(definition: object): PdfDocument
  }
  const pdfMake: PdfMake
  export default pdfMake
}
