import { join } from 'node:path'
import { build } from 'esbuild'
import { defineNuxtModule } from 'nuxt/kit'

/** The script of the server's threads (server/threads/), bundled beside the built server, which does not bundle any of its own. */
export default defineNuxtModule({
  meta: { name: 'thread-script' },
  setup(_, nuxt) {
    nuxt.hook('nitro:init', (nitro) => {
      nitro.hooks.hook('compiled', async () => {
        await build({
          entryPoints: [join(nuxt.options.rootDir, 'server', 'threads', 'thread.ts')],
          outfile: join(nitro.options.output.serverDir, 'thread.mjs'),
          bundle: true,
          format: 'esm',
          platform: 'node',
          target: 'node20',
          // The server's own copy of it is used, which brings along what it reads from the disk.
          external: ['pdfmake'],
          logLevel: 'error',
        })
      })
    })
  },
})
