import { ESLint } from 'eslint'
import { describe, expect, it } from 'vitest'
import { root } from '../../scripts/packages.mjs'

/** Planted files are in no program, so that rules that ask for types are left out. */
const untyped = {
  languageOptions: { parserOptions: { project: null } },
  rules: {
    '@typescript-eslint/no-floating-promises': 'off',
    '@typescript-eslint/switch-exhaustiveness-check': 'off',
  },
} as const
const eslint = new ESLint({ cwd: root, overrideConfig: untyped })
const refused = async (code: string, filePath: string) => {
  const [result] = await eslint.lintText(code, { filePath })
  return result!.messages.map(({ ruleId }) => ruleId)
}

describe('the arrows between folders', () => {
  it.each([
    ['core/circuit/planted.ts', `import { x } from '../../contract'\nexport const y = x\n`],
    [
      'core/circuit/planted.ts',
      `import { x } from '../../server/services/lists/jobs'\nexport const y = x\n`,
    ],
    ['core/circuit/planted.ts', `import { ref } from 'vue'\nexport const y = ref(1)\n`],
    ['core/circuit/planted.ts', `import { x } from 'lodash'\nexport const y = x\n`],
    ['core/circuit/planted.ts', `import { x } from '../journal/fold'\nexport const y = x\n`],
    ['demo/planted.ts', `import { x } from '../contract/entry'\nexport const y = x\n`],
    [
      'core/circuit/planted.ts',
      `import { readFileSync } from 'node:fs'\nexport const y = readFileSync\n`,
    ],
    ['contract/planted.ts', `import { x } from '../server/services/jobs'\nexport const y = x\n`],
    ['contract/planted.ts', `import { x } from '../app/composables/useApi'\nexport const y = x\n`],
    ['server/services/planted.ts', `import { x } from '../../app/sync/api'\nexport const y = x\n`],
    [
      'server/services/planted.ts',
      `import { x } from '../../core/circuit/solve'\nexport const y = x\n`,
    ],
    ['app/job/planted.ts', `import { x } from '~~/server/services/lists/jobs'\nexport const y = x\n`],
    ['app/job/planted.ts', `import { x } from '~~/core/circuit/solve'\nexport const y = x\n`],
    ['server/services/planted.ts', `import { x } from '../../bench/lists'\nexport const y = x\n`],
    ['app/job/planted.ts', `import { x } from '~~/bench/lists'\nexport const y = x\n`],
    ['app/lib/planted.ts', `import { x } from '~/stores/person'\nexport const y = x\n`],
    ['app/job/planted.ts', `import { x } from '~/components/line/part-words'\nexport const y = x\n`],
    ['app/components/job/planted.ts', `import { x } from '../../stages'\nexport const y = x\n`],
    ['app/stages/fit/planted.ts', `import { x } from '../choose/sheets'\nexport const y = x\n`],
    ['app/stages/fit/planted.ts', `import { x } from '~/stages/choose/sheets'\nexport const y = x\n`],
    ['scripts/planted.ts', `import { x } from '../bench/lists'\nexport const y = x\n`],
    ['core/words/coach/planted.ts', `import { x } from '../../bleed/rank'\nexport const y = x\n`],
  ])('%s may not: %s', async (file, code) => {
    expect(await refused(code, file)).toContain('no-restricted-imports')
  })

  it.each([
    ['app/job/planted.ts', `import { x } from '~~/core/circuit'\nexport const y = x\n`],
    ['app/stages/fit/planted.ts', `import { x } from '~/job/useJob'\nexport const y = x\n`],
    ['app/stages/fit/planted.ts', `import { x } from '../stage'\nexport const y = x\n`],
    ['server/services/planted.ts', `import { x } from '../../contract'\nexport const y = x\n`],
    ['contract/planted.ts', `import { x } from '../core/journal'\nexport const y = x\n`],
    ['core/circuit/planted.ts', `import { x } from '../run'\nexport const y = x\n`],
    ['core/entries/planted.ts', `import { x } from '../bleed/methods'\nexport const y = x\n`],
    ['core/journal/planted.ts', `import { x } from 'fastest-levenshtein'\nexport const y = x\n`],
  ])('%s may: %s', async (file, code) => {
    expect(await refused(code, file)).toEqual([])
  })

  it('see a promise that nobody waits for, and a case that nobody thought of', async () => {
    const alone = { project: null, projectService: { allowDefaultProject: ['planted.ts'] } }
    const typed = new ESLint({
      cwd: root,
      overrideConfig: { languageOptions: { parserOptions: alone } },
    })
    const code = `declare const state: 'present' | 'absent'
const later = async () => state
later()
switch (state) {
  case 'present':
    break
}
export {}
`
    const [result] = await typed.lintText(code, { filePath: 'planted.ts' })
    const rules = result!.messages.map(({ ruleId }) => ruleId)
    expect(rules).toContain('@typescript-eslint/no-floating-promises')
    expect(rules).toContain('@typescript-eslint/switch-exhaustiveness-check')
  })

  it.each([
    ['core/circuit/planted.ts', 'export const w = window.innerWidth\n'],
    ['core/circuit/planted.ts', 'export const e = process.env\n'],
    ['core/circuit/planted.ts', 'export const t = setTimeout(() => {}, 1)\n'],
    ['contract/planted.ts', 'export const s = localStorage.length\n'],
    ['server/services/planted.ts', 'export const d = document.title\n'],
    ['server/services/planted.ts', 'export const r = ref(1)\n'],
  ])('%s may name only what there is where it runs: %s', async (path, code) => {
    expect(await refused(code, path)).toContain('no-undef')
  })

  it('keep what only Node has out of the app', async () => {
    const found = await refused('export const e = process.env.HOME\n', 'app/sync/planted.ts')
    expect(found).toContain('no-restricted-globals')
  })

  it('let a part name what there is', async () => {
    expect(
      await refused('export const c = structuredClone({ m: Math.PI })\n', 'core/circuit/planted.ts'),
    ).toEqual([])
    expect(
      await refused('export const b = Buffer.from(String(process.pid))\n', 'server/planted.ts'),
    ).toEqual([])
  })

  it('keep clock and chance out of the core, and all that is waited for', async () => {
    for (const code of ['export const w = async () => 1\n', 'export const p = Promise.resolve(1)\n'])
      expect(await refused(code, 'core/circuit/planted.ts')).toContain('no-restricted-syntax')
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
