import { createHash } from 'node:crypto'
import { readdirSync, readFileSync } from 'node:fs'
import { join, relative } from 'node:path'
import { build } from 'esbuild'
import { defineNuxtModule } from 'nuxt/kit'

/** The browser's service worker (app/service-worker.ts), with the list of the client's files, put among them. */
export default defineNuxtModule({
  meta: { name: 'service-worker' },
  setup(_, nuxt) {
    if (nuxt.options.dev) return
    nuxt.hook('nitro:build:public-assets', async (nitro) => {
      const folder = nitro.options.output.publicDir
      const files = readdirSync(folder, { recursive: true, withFileTypes: true })
        .filter((file) => file.isFile() && !/\.(gz|br|map)$/.test(file.name))
        .map((file) => relative(folder, join(file.parentPath, file.name)).replaceAll('\\', '/'))
        .filter(
          (name) => (name.startsWith('_nuxt/') && !name.includes('/builds/')) || name.endsWith('.svg'),
        )
        .sort()
      const entries = files.map((name) => ({
        url: `/${name}`,
        // A name in _nuxt carries its content's own mark.
        revision: name.startsWith('_nuxt/') ? null : markOf(readFileSync(join(folder, name))),
      }))
      await build({
        entryPoints: [join(nuxt.options.rootDir, 'app', 'service-worker.ts')],
        outfile: join(folder, 'service-worker.js'),
        bundle: true,
        minify: true,
        format: 'iife',
        target: 'es2022',
        logLevel: 'error',
        define: {
          FILES: JSON.stringify(entries),
          BUILD: JSON.stringify(markOf(JSON.stringify(entries))),
          'process.env.NODE_ENV': '"production"',
        },
      })
    })
  },
})

const markOf = (content: string | Buffer): string =>
  createHash('sha256').update(content).digest('hex').slice(0, 12)
