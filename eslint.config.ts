import prettier from 'eslint-config-prettier/flat'
import vue from 'eslint-plugin-vue'
import globals from 'globals'
import tseslint from 'typescript-eslint'

/**
 * Arrows between folders point one way: app → contract → core, server → contract → core.
 * Each folder may import what is listed for it, and nothing else of this project.
 */
const MAY_IMPORT: Record<string, string[]> = {
  core: [],
  contract: ['core'],
  server: ['contract', 'core'],
  app: ['contract', 'core'],
  modules: ['contract'],
  demo: ['server', 'contract', 'core'],
  devices: [],
  scripts: ['demo', 'devices', 'server', 'contract', 'core'],
  bench: ['scripts', 'tests', 'demo', 'devices', 'server', 'contract', 'core'],
}
/** Packages that the core may use: pure functions, no clock, no framework. */
const CORE_PACKAGES = ['fastest-levenshtein']
const FOLDERS = [...Object.keys(MAY_IMPORT), 'tests']
const forbidden = (folder: string) => {
  const others = FOLDERS.filter((other) => other !== folder && !MAY_IMPORT[folder]!.includes(other))
  const patterns = [
    {
      // By relative path or by Nuxt's aliases.
      regex: `^(\\.\\./)+(${others.join('|')})(/|$)|^(~~|@@)/(${others.join('|')})(/|$)`,
      message: `${folder}/ may import only ${MAY_IMPORT[folder]!.join(' and ') || 'itself'}.`,
    },
  ]
  // The core may name its own folders and the packages of its list.
  if (folder === 'core')
    patterns.push({
      regex: `^(?!\\.{1,2}(/|$)|(${CORE_PACKAGES.join('|')})$)`,
      message: 'core/ is pure: it imports itself and the packages of its list.',
    })
  // From outside, a folder of the core is entered by its index, the contract by its own; a bench measures what lies inside.
  if (folder !== 'bench')
    patterns.push({
      // Light doors beside it: rows of the bleed methods, and names (ids and types) of a folder.
      regex:
        folder === 'core'
          ? '^(\\.\\./)+(?!bleed/methods$)(?!\\w+/names$)[^/.]+/.+'
          : '(^|/)core/[^/]+/.+|(^|/)contract/.+',
      message: 'Import from the public face, index.ts.',
    })
  const rule: ['error', { patterns: { regex: string; message: string }[] }] = ['error', { patterns }]
  return rule
}

/** Rooms of the app, from the floor up: each may name those that are listed for it, and itself. */
const APP_ROOMS: Record<string, string[]> = {
  lib: [],
  workers: [],
  sync: ['lib'],
  stores: ['sync', 'lib'],
  units: ['stores', 'lib'],
  asking: ['workers', 'sync', 'stores', 'lib'],
  frame: ['sync', 'lib'],
  job: ['asking', 'workers', 'stores', 'units', 'sync', 'lib'],
  components: ['job', 'asking', 'frame', 'stores', 'units', 'sync', 'lib'],
  stages: ['components', 'job', 'asking', 'frame', 'stores', 'units', 'sync', 'lib'],
  pages: ['stages', 'components', 'job', 'asking', 'frame', 'stores', 'units', 'sync', 'lib'],
}
const STAGES = ['find', 'choose', 'fit', 'bleed', 'prove', 'record']
const inApp = (files: string, others: string[], message: string) => {
  const rooms = others.join('|')
  const [error, { patterns }] = forbidden('app')
  const own = { regex: `^~/(${rooms})(/|$)|^(\\.\\./)+(${rooms})(/|$)`, message }
  return {
    files: [`app/${files}/**/*.{ts,vue}`],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': [error, { patterns: [...patterns, own] }] as ['error', object] },
  }
}
const roomArrows = Object.keys(APP_ROOMS).map((room) =>
  inApp(
    room,
    Object.keys(APP_ROOMS).filter((other) => other !== room && !APP_ROOMS[room]!.includes(other)),
    `app/${room} may import only ${APP_ROOMS[room]!.join(', ') || 'itself'}.`,
  ),
)
/** What two stages share lives in components. */
const stageArrows = STAGES.map((stage) =>
  inApp(
    `stages/${stage}`,
    ['pages', ...STAGES.flatMap((other) => (other === stage ? [] : [`stages/${other}`, other]))],
    'A stage does not reach into another: what two share lives in components.',
  ),
)

const off = (names: object) =>
  Object.fromEntries(Object.keys(names).map((name) => [name, 'off' as const]))
/** What the language itself has, and nothing of where it runs. */
const NO_BROWSER_NO_NODE = {
  ...off(globals.browser),
  ...off(globals.node),
  ...globals.es2025,
  structuredClone: 'readonly' as const,
}
/** What Nitro gives a server file without an import. */
const NO_BROWSER = {
  ...off(globals.browser),
  ...globals.node,
  defineNitroPlugin: 'readonly' as const,
}

export default tseslint.config(
  { ignores: ['.nuxt/**', '.output/**', '.data/**', 'node_modules/**', 'coverage/**'] },
  ...tseslint.configs.recommended,
  ...vue.configs['flat/recommended'],
  {
    files: ['**/*.{ts,mts,mjs,vue}'],
    languageOptions: {
      globals: { ...globals.browser, ...globals.node },
      parserOptions: { parser: tseslint.parser, extraFileExtensions: ['.vue'] },
    },
    rules: {
      // Types are checked by the compiler, auto-imports by Nuxt.
      'no-undef': 'off',
      'no-console': 'error',
      eqeqeq: 'error',
      'prefer-const': 'error',
      'max-lines': ['error', { max: 400, skipBlankLines: true }],
      '@typescript-eslint/no-unused-vars': [
        'error',
        { argsIgnorePattern: '^_', varsIgnorePattern: '^_' },
      ],
      '@typescript-eslint/consistent-type-imports': ['error', { disallowTypeAnnotations: false }],
      'vue/multi-word-component-names': 'off',
      'vue/require-default-prop': 'off',
      // Nothing is imported by itself but what the framework brings.
      'vue/no-undef-components': [
        'error',
        { ignorePatterns: ['^Nuxt', '^Transition', '^Teleport', '^KeepAlive', '^component$'] },
      ],
      // The compiler refuses a ref in arithmetic; this rule alone took a third of the whole lint.
      'vue/no-ref-as-operand': 'off',
    },
  },
  ...Object.keys(MAY_IMPORT).map((folder) => ({
    files: [`${folder}/**/*.{ts,vue}`],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': forbidden(folder) },
  })),
  ...roomArrows,
  ...stageArrows,
  {
    files: ['**/*.{ts,vue}'],
    languageOptions: {
      parserOptions: { project: './tsconfig.whole.json', tsconfigRootDir: import.meta.dirname },
    },
    rules: {
      '@typescript-eslint/no-floating-promises': 'error',
      '@typescript-eslint/switch-exhaustiveness-check': [
        'error',
        { considerDefaultExhaustiveForUnions: true },
      ],
    },
  },
  {
    // All is one program to the compiler: that a part names what it does not have where it runs is seen here.
    files: ['core/**/*.ts', 'contract/**/*.ts'],
    ignores: ['**/*.test.ts'],
    languageOptions: { globals: NO_BROWSER_NO_NODE },
    rules: { 'no-undef': 'error' },
  },
  {
    files: ['server/**/*.ts'],
    ignores: ['**/*.test.ts'],
    languageOptions: { globals: NO_BROWSER },
    rules: { 'no-undef': 'error' },
  },
  {
    // Nuxt gives it too many names to list; these it has not.
    files: ['app/**/*.{ts,vue}'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-globals': ['error', 'process', 'Buffer', 'require', 'global', '__dirname'],
    },
  },
  {
    // The core has no clock and no randomness of its own.
    files: ['core/**/*.ts'],
    ignores: ['**/*.test.ts'],
    rules: {
      'no-restricted-properties': [
        'error',
        { object: 'Math', property: 'random', message: 'A seed comes in.' },
        { object: 'Date', property: 'now', message: 'A time comes in.' },
        { object: 'performance', property: 'now', message: 'A time comes in.' },
      ],
      'no-restricted-syntax': [
        'error',
        {
          selector: "NewExpression[callee.name='Date'][arguments.length=0]",
          message: 'A time comes in.',
        },
        {
          selector: ':function[async=true], Identifier[name="Promise"]',
          message: 'The core waits for nothing.',
        },
      ],
    },
  },
  prettier,
)
