import { addTemplate, addTypeTemplate, defineNuxtModule } from 'nuxt/kit'
import { Ajv } from 'ajv'
import addFormats from 'ajv-formats'
import standalone from 'ajv/dist/standalone/index.js'
import { buildSync } from 'esbuild'
import { NewEntrySchema } from '../contract'

/**
 * The browser may not compile code (content security policy), so the entry schema's check is compiled here,
 * at build time, into `#build/entry-validator.mjs`.
 */
export default defineNuxtModule({
  meta: { name: 'entry-validator' },
  setup(_, nuxt) {
    addTemplate({
      filename: 'entry-validator.mjs',
      write: true,
      getContents: () => compile(nuxt.options.rootDir),
    })
    addTypeTemplate({
      filename: 'types/entry-validator.d.ts',
      getContents: () => `declare module '#build/entry-validator.mjs' {
  import type { ErrorObject } from 'ajv'
  export const validateEntry: ((entry: unknown) => boolean) & { errors?: ErrorObject[] | null }
}
`,
    })
  },
})

function compile(rootDir: string): string {
  const ajv = new Ajv({
    discriminator: true,
    code: { source: true, esm: true },
  })
  addFormats.default(ajv)
  ajv.addSchema(NewEntrySchema, '#entry')
  // Typed as a function, but what is imported is the CommonJS module around it.
  const write = (standalone as unknown as { default?: typeof standalone }).default ?? standalone
  const code = write(ajv, { validateEntry: '#entry' })
  const bundled = buildSync({
    stdin: { contents: code, resolveDir: rootDir, loader: 'js' },
    bundle: true,
    format: 'esm',
    write: false,
    logLevel: 'error',
  })
  return bundled.outputFiles[0]!.text
}
