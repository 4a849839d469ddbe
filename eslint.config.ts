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
}
/** Packages that the core may use: pure functions, no clock, no framework. */
const CORE_PACKAGES = ['fastest-levenshtein']
const FOLDERS = ['core', 'contract', 'server', 'app', 'modules', 'demo', 'devices', 'scripts', 'tests']
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
  // From outside, a folder of the core is entered by its index, the contract by its own.
  patterns.push({
    regex: folder === 'core' ? '^\\.\\./[^/.]+/.+' : '(^|/)core/[^/]+/.+|(^|/)contract/.+',
    message: 'Import from the public face, index.ts.',
  })
  const rule: ['error', object] = ['error', { patterns }]
  return rule
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
      // The compiler refuses a ref in arithmetic; this rule alone took a third of the whole lint.
      'vue/no-ref-as-operand': 'off',
    },
  },
  ...Object.keys(MAY_IMPORT).map((folder) => ({
    files: [`${folder}/**/*.{ts,vue}`],
    ignores: ['**/*.test.ts'],
    rules: { 'no-restricted-imports': forbidden(folder) },
  })),
  {
    files: ['**/*.{ts,vue}'],
    languageOptions: {
      parserOptions: { project: './tsconfig.lint.json', tsconfigRootDir: import.meta.dirname },
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
      ],
    },
  },
  prettier,
)
