import { defineNuxtPlugin } from '#imports'
/**
 * The focus is never lost: what had it may go with an act (a row taken back, a button that rests) or with its page. Then the
 * nearest that is left takes it, so that the next key or the screen reader goes on from there.
 */
/** What one goes on from; no field, or the keys of the page would be typed into it. */
const FOCUSABLE = 'a[href], button:not(:disabled), summary, [tabindex]:not([tabindex="-1"])'

export default defineNuxtPlugin((nuxt) => {
  /** What had the focus last, with what it stood in and its place there. */
  let last: { element: Element; within: Element[]; place: number } | null = null
  addEventListener('focusin', ({ target }) => {
    const element = target as Element
    const within: Element[] = []
    for (let up = element.parentElement; up && up !== document.body; up = up.parentElement)
      within.push(up)
    const list = within[0]?.closest('ol, ul, tbody, form, section, main') ?? null
    const place = list ? [...list.querySelectorAll(FOCUSABLE)].indexOf(element) : 0
    last = { element, within, place }
  })
  const main = () => document.querySelector<HTMLElement>('main')
  function recover(): void {
    if (!last || document.activeElement !== document.body) return
    const { element, within, place } = last
    const rests = element.isConnected && (element as HTMLButtonElement).disabled
    if (element.isConnected && !rests) return
    const left = within.filter((one) => one.isConnected)
    const near = left.find((one) => one.matches('ol, ul, tbody, form, section')) ?? left[0] ?? main()
    const choices = near ? [...near.querySelectorAll<HTMLElement>(FOCUSABLE)] : []
    const next = choices[Math.min(Math.max(0, place), choices.length - 1)] ?? main()
    next?.focus({ preventScroll: true })
  }
  new MutationObserver(recover).observe(document.documentElement, {
    childList: true,
    subtree: true,
    attributes: true,
    attributeFilter: ['disabled'],
  })
  // A new page has nothing of the old one left: its own content takes the focus. Who has touched nothing yet begins at the top.
  nuxt.hook('page:finish', () => {
    if (!last) return
    const active = document.activeElement
    if (active && active !== document.body && active.isConnected) return
    const content = main()
    content?.setAttribute('tabindex', '-1')
    content?.focus({ preventScroll: true })
  })
})
