/** What of a drawing is kept when it is taken out: presentation, as attributes that any program reads. */
const KEPT = [
  'fill',
  'stroke',
  'stroke-width',
  'stroke-dasharray',
  'stroke-linecap',
  'stroke-linejoin',
  'font-family',
  'font-size',
  'font-weight',
  'text-anchor',
  'opacity',
] as const
const NEVER = new Set(['none 0s', ''])

/**
 * A drawing as a file of its own: styles written out, what only the hand needs (`data-tool`) left away, no classes,
 * scripts or references to this application.
 */
export function standaloneSvg(svg: SVGSVGElement, title: string, description: string): string {
  const copy = svg.cloneNode(true) as SVGSVGElement
  const from = [...svg.querySelectorAll('*')]
  const to = [...copy.querySelectorAll('*')]
  to.forEach((element, i) => writeOut(from[i]!, element))
  for (const tool of copy.querySelectorAll('[data-tool]')) tool.remove()
  for (const name of [...copy.getAttributeNames()]) if (name !== 'viewBox') copy.removeAttribute(name)
  const { width, height } = svg.viewBox.baseVal
  copy.setAttribute('xmlns', 'http://www.w3.org/2000/svg')
  copy.setAttribute('width', String(Math.round(width)))
  copy.setAttribute('height', String(Math.round(height)))
  copy.prepend(named(copy, 'title', title), named(copy, 'desc', description), paper(copy, svg))
  return `<?xml version="1.0" encoding="UTF-8"?>\n${new XMLSerializer().serializeToString(stripped(copy))}\n`
}

function writeOut(from: Element, to: Element): void {
  const style = getComputedStyle(from)
  for (const name of [...to.getAttributeNames()])
    if (/^(class|style|role|tabindex|aria-|data-(?!tool))/.test(name)) to.removeAttribute(name)
  for (const name of KEPT) {
    const value = style.getPropertyValue(name)
    if (!NEVER.has(value)) to.setAttribute(name, value)
  }
}

function named(of: Element, tag: 'title' | 'desc', text: string): Element {
  const element = of.ownerDocument.createElementNS('http://www.w3.org/2000/svg', tag)
  element.textContent = text
  return element
}

/** The ground that it was drawn on, so that a lamp drawing can be read on white paper too. */
function paper(of: Element, svg: SVGSVGElement): Element {
  const rect = of.ownerDocument.createElementNS('http://www.w3.org/2000/svg', 'rect')
  rect.setAttribute('width', '100%')
  rect.setAttribute('height', '100%')
  rect.setAttribute('fill', getComputedStyle(svg.ownerDocument.documentElement).backgroundColor)
  return rect
}

/** Comments are left over from templates. */
function stripped(copy: SVGSVGElement): SVGSVGElement {
  const walker = copy.ownerDocument.createTreeWalker(copy, NodeFilter.SHOW_COMMENT)
  const comments: Node[] = []
  while (walker.nextNode()) comments.push(walker.currentNode)
  for (const comment of comments) comment.parentNode?.removeChild(comment)
  return copy
}

/** Offers text as a file to keep. */
export function download(name: string, type: string, content: string | Blob): void {
  const url = URL.createObjectURL(new Blob([content], { type }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}

/** A name that any file system takes. */
export const fileName = (name: string, ending: string): string =>
  `${
    name
      .toLowerCase()
      .replace(/[^a-z0-9]+/g, '-')
      .replace(/^-|-$/g, '') || 'circuit'
  }.${ending}`
