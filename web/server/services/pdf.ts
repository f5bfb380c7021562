import { join } from 'node:path'
import pdfmake from 'pdfmake'
import type { TDocumentDefinitions } from 'pdfmake/interfaces'

let ready = ''

/** Makes a PDF with the fonts that ship with the application; nothing is fetched and no other file is read. */
export function makePdf(definition: TDocumentDefinitions, fonts: string): Promise<Buffer> {
  if (ready !== fonts) {
    const file = (cut: string) => join(fonts, `b612-latin-${cut}.woff`)
    pdfmake.addFonts({
      B612: {
        normal: file('400-normal'),
        bold: file('700-normal'),
        italics: file('400-italic'),
        bolditalics: file('700-normal'),
      },
    })
    pdfmake.setUrlAccessPolicy(() => false)
    pdfmake.setLocalAccessPolicy(path => path.startsWith(fonts))
    ready = fonts
  }
  return pdfmake
    .createPdf({ defaultStyle: { font: 'B612', fontSize: 9.5, lineHeight: 1.25, color: '#1D2A33' }, ...definition })
    .getBuffer()
}
