import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'
import { root } from '../../scripts/packages.mjs'

const eslint = new ESLint({ cwd: root })
const refused = async (code: string, filePath: string) => {
  const [result] = await eslint.lintText(code, { filePath })
  return result!.messages.map(({ ruleId }) => ruleId)
}

describe('the arrows between folders', () => {
  it.each([
    ['core/circuit/planted.ts', `import { x } from '../../contract'\nexport const y = x\n`],
    ['core/circuit/planted.ts', `import { x } from '../../server/services/jobs'\nexport const y = x\n`],
    ['core/circuit/planted.ts', `import { ref } from 'vue'\nexport const y = ref(1)\n`],
    [
      'core/circuit/planted.ts',
      `import { readFileSync } from 'node:fs'\nexport const y = readFileSync\n`,
    ],
    ['contract/planted.ts', `import { x } from '../server/services/jobs'\nexport const y = x\n`],
    ['contract/planted.ts', `import { x } from '../app/composables/useApi'\nexport const y = x\n`],
    [
      'server/services/planted.ts',
      `import { x } from '../../app/composables/useApi'\nexport const y = x\n`,
    ],
    [
      'server/services/planted.ts',
      `import { x } from '../../core/circuit/solve'\nexport const y = x\n`,
    ],
    ['app/composables/planted.ts', `import { x } from '~~/server/services/jobs'\nexport const y = x\n`],
    ['app/composables/planted.ts', `import { x } from '~~/core/circuit/solve'\nexport const y = x\n`],
  ])('%s may not: %s', async (file, code) => {
    expect(await refused(code, file)).toContain('no-restricted-imports')
  })

  it.each([
    ['app/composables/planted.ts', `import { x } from '~~/core/circuit'\nexport const y = x\n`],
    ['server/services/planted.ts', `import { x } from '../../contract'\nexport const y = x\n`],
    ['contract/planted.ts', `import { x } from '../core/journal'\nexport const y = x\n`],
  ])('%s may: %s', async (file, code) => {
    expect(await refused(code, file)).toEqual([])
  })

  it('keep clock and chance out of the core', async () => {
    expect(await refused('export const t = Date.now()\n', 'core/circuit/planted.ts')).toContain(
      'no-restricted-properties',
    )
    expect(await refused('export const t = Math.random()\n', 'core/circuit/planted.ts')).toContain(
      'no-restricted-properties',
    )
    expect(await refused('export const t = new Date()\n', 'core/circuit/planted.ts')).toContain(
      'no-restricted-syntax',
    )
  })
})
