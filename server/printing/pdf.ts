import type { TDocumentDefinitions } from 'pdfmake/interfaces'
import { FONT_FILES, type Fonts } from './font-files'

/** What the package has and its types lack. */
interface WithFiles {
  virtualfs: { writeFileSync: (name: string, bytes: Buffer) => void }
}
let ready: Promise<typeof import('pdfmake')> | undefined
async function prepared(fonts: Fonts) {
  // It is large, and most servers print rarely: it comes with the first page.
  const { default: pdfmake } = await import('pdfmake')
  for (const [file, bytes] of Object.entries(fonts))
    (pdfmake as unknown as WithFiles).virtualfs.writeFileSync(file, Buffer.from(bytes))
  pdfmake.setFonts({ Sheet: FONT_FILES })
  pdfmake.setUrlAccessPolicy(() => false)
  pdfmake.setLocalAccessPolicy(() => false)
  return pdfmake
}

/** A4, black on white, in the app's own letters. It takes a while: a thread does it. */
export async function pdfOf(content: TDocumentDefinitions, fonts: Fonts): Promise<Uint8Array> {
  const pdfmake = await (ready ??= prepared(fonts))
  return pdfmake
    .createPdf({
      pageSize: 'A4',
      pageMargins: [40, 44, 40, 48],
      ...content,
      defaultStyle: { font: 'Sheet', fontSize: 10.5, lineHeight: 1.15, ...content.defaultStyle },
    })
    .getBuffer()
}

/** At the foot of each page when it was printed and which it is; a heading (headline 1) is never left alone there. */
export const framed = (printed: string): Pick<TDocumentDefinitions, 'footer' | 'pageBreakBefore'> => ({
  footer: (page, pages) => ({
    columns: [
      { text: printed, width: '*' },
      { text: `${page} of ${pages}`, alignment: 'right', width: 80 },
    ],
    fontSize: 9,
    margin: [40, 12, 40, 0],
  }),
  pageBreakBefore: (node, { getFollowingNodesOnPage }) =>
    node.headlineLevel === 1 && getFollowingNodesOnPage().length === 0,
})
