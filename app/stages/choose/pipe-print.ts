import { jsPDF } from 'jspdf'
import { truePages, type Corner, type MadePipe } from '../../../core/layout'
import type { Format } from '../../../core/quantity'

export interface PipePrint {
  name: string
  corners: readonly Corner[]
  made: MadePipe
  outerDiameter: number
  format: Format
}

/** mm on paper. */
const BAR = 100

/**
 * A pipe in its true size as a PDF: the middle line with both walls, each bend with its angle, and on every page a bar of
 * 100 mm that is checked with a rule before anything is bent by it.
 * @returns null where it would take more pages than anyone lays out
 */
export function pipePdf({ name, corners, made, outerDiameter, format }: PipePrint): jsPDF | null {
  const print = truePages(corners, made.radius)
  if (!print) return null
  const { width, height, margin } = print.page
  const pdf = new jsPDF({
    unit: 'mm',
    format: [width, height],
    compress: false,
    putOnlyUsedFonts: true,
  })
  pdf.setProperties({ title: plain(`${name}, pipe in true size`) })
  print.pages.forEach(({ column, row, offset }, i) => {
    if (i > 0) pdf.addPage([width, height])
    const at = ({ x, y }: { x: number; y: number }) => [x - offset.x, y - offset.y] as const
    pdf.setLineWidth(outerDiameter).setDrawColor(225)
    draw(pdf, print.line.map(at))
    pdf.setLineWidth(0.3).setDrawColor(0)
    draw(pdf, print.line.map(at))
    pdf.setFontSize(10)
    made.bends.forEach((bend, k) => {
      const [x, y] = at(print.corners[k + 1]!)
      pdf.circle(x, y, 0.7)
      pdf.text(
        plain(`${k + 1}: ${bend.angle.toFixed(0)}\u00B0 at ${format.length(bend.at)}`),
        x + 4,
        y - 2,
      )
    })
    // What one page shows ends where the next begins.
    pdf.setLineWidth(0.15).setDrawColor(120)
    pdf.rect(margin, margin, width - 2 * margin, height - 2 * margin - 25)
    pdf.setDrawColor(0).setLineWidth(0.4)
    const bar = height - margin - 10
    pdf.line(margin, bar, margin + BAR, bar)
    pdf.line(margin, bar - 2, margin, bar + 2)
    pdf.line(margin + BAR, bar - 2, margin + BAR, bar + 2)
    pdf.setFontSize(9)
    pdf.text('100 mm: measure this bar; printed at another size it is no pattern.', margin, bar + 6)
    pdf.text(
      plain(
        `${name}: cut ${format.length(made.cut)}, page ${row + 1}.${column + 1} of ${print.rows} x ${print.columns}${print.flat ? '; what goes to the side is not in it' : ''}`,
      ),
      margin,
      bar - 5,
    )
  })
  return pdf
}

function draw(pdf: jsPDF, points: readonly (readonly [number, number])[]): void {
  const [[x, y], ...rest] = points as [readonly [number, number], ...(readonly [number, number])[]]
  const steps = rest.map((point, i) => {
    const [px, py] = i === 0 ? [x, y] : rest[i - 1]!
    return [point[0] - px, point[1] - py]
  })
  pdf.lines(steps, x, y)
}
/** The standard fonts of a PDF know Latin letters alone. */
const plain = (text: string): string =>
  text
    .replace(/[’‘]/g, "'")
    .replace(/[“”]/g, '"')
    .replace(/−/g, '-')
    .replace(/[^\u0020-\u00FF]/g, '?')
