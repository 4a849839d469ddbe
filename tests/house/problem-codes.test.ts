import { readFileSync } from 'node:fs'
import { join } from 'node:path'
import { expect, it } from 'vitest'
import { root } from '../../scripts/packages.mjs'
import { CODES } from '../../server/http/codes'

const BEGINS = '<!-- problem codes: printed by tests/house/problem-codes.test.ts -->\n'
const ENDS = '<!-- end of problem codes -->'

it('every code of a problem stands in docs/formats.md with its status and when it comes', async () => {
  const page = readFileSync(join(root, 'docs', 'formats.md'), 'utf8')
  const rows = Object.entries(CODES).map(
    ([code, { status, words, ...more }]) =>
      `| \`${code}\` | ${status}${'also' in more ? ` or ${more.also}` : ''} | ${words} |`,
  )
  const table = ['| code | status | when |', '| --- | --- | --- |', ...rows].join('\n')
  const [before, rest] = page.split(BEGINS)
  const [, after] = rest!.split(ENDS)
  // After a change of the table: `npx vitest run tests/house/problem-codes.test.ts -u`.
  await expect(`${before}${BEGINS}\n${table}\n\n${ENDS}${after}`).toMatchFileSnapshot(
    '../../docs/formats.md',
  )
})
