import type { Page } from '@playwright/test'
import axe from 'axe-core'

const WCAG = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa']
/** What two looks of one page can differ in. */
export const COLOURS = ['color-contrast']

/**
 * What axe finds wrong on a page as it stands, by rule and place: all that WCAG 2.2 AA asks for, or only some rules. It is put
 * into a page once, and works out no more than what is wrong: a run takes a third of the time so.
 */
export async function wrongOn(page: Page, rules?: readonly string[]): Promise<string[]> {
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source)
  return page.evaluate(
    async ([tags, only]) => {
      const { violations, incomplete, passes } = await (
        window as unknown as { axe: typeof import('axe-core') }
      ).axe.run(document, {
        runOnly: only ? { type: 'rule', values: [...only] } : { type: 'tag', values: tags },
        resultTypes: ['violations'],
        preload: false,
      })
      // One that has looked at nothing finds nothing either.
      if (violations.length + incomplete.length + passes.length === 0) return ['axe looked at nothing']
      return violations
        .filter(({ impact }) => impact === 'serious' || impact === 'critical')
        .map(({ id, nodes }) => `${id}: ${nodes.map(({ target }) => target.join(' ')).join(' | ')}`)
    },
    [WCAG, rules ? [...rules] : null] as [string[], string[] | null],
  )
}
