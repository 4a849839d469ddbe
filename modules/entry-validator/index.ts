import { addTemplate, defineNuxtModule } from 'nuxt/kit'
import { Ajv } from 'ajv'
import addFormats from 'ajv-formats'
import standalone from 'ajv/dist/standalone/index.js'
import { buildSync } from 'esbuild'
import { InstallationFileSchema, NewEntrySchema } from '../../contract'
import { sharedParts } from './shared-parts'

/**
 * The browser may not compile code (content security policy), so the checks of entries and of installation files are
 * compiled here, at build time, into `#build/entry-validator.mjs`.
 */
export default defineNuxtModule({
  meta: { name: 'entry-validator' },
  setup(_, nuxt) {
    addTemplate({
      filename: 'entry-validator.mjs',
      write: true,
      getContents: () => compile(nuxt.options.rootDir),
    })
    // Beside it, so that nobody’s compiler reads the thousands of lines that were compiled.
    addTemplate({
      filename: 'entry-validator.d.mts',
      write: true,
      getContents: () => `import type { ErrorObject } from 'ajv'
type Check = ((value: unknown) => boolean) & { errors?: ErrorObject[] | null }
export const validateEntry: Check
export const validateInstallationFile: Check
`,
    })
  },
})

function compile(rootDir: string): string {
  const ajv = new Ajv({
    discriminator: true,
    // A part that is referred to stays a function of its own.
    inlineRefs: false,
    code: { source: true, esm: true },
  })
  addFormats.default(ajv)
  const whole = { '#entry': NewEntrySchema, '#installationFile': InstallationFileSchema }
  const { schemas, parts } = sharedParts(whole, '#part')
  for (const [name, schema] of Object.entries({ ...parts, ...schemas })) ajv.addSchema(schema, name)
  // Typed as a function, but what is imported is the CommonJS module around it.
  const write = (standalone as unknown as { default?: typeof standalone }).default ?? standalone
  const code = write(ajv, {
    validateEntry: '#entry',
    validateInstallationFile: '#installationFile',
  })
  const bundled = buildSync({
    stdin: { contents: code, resolveDir: rootDir, loader: 'js' },
    bundle: true,
    format: 'esm',
    write: false,
    minify: true,
    logLevel: 'error',
  })
  return bundled.outputFiles[0]!.text
}
