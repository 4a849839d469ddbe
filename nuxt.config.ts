import tailwindcss from '@tailwindcss/vite'

const loopback = '127.0.0.1'

export default defineNuxtConfig({
  compatibilityDate: '2026-11-01',
  ssr: false,
  sourcemap: false,
  devtools: { enabled: false },
  telemetry: false,
  devServer: { host: loopback },
  // The first page loads what it needs; the next one's script comes when a link is touched.
  experimental: {
    defaults: { nuxtLink: { prefetchOn: { interaction: true, visibility: false } } },
  },
  modules: ['@pinia/nuxt', 'nuxt-security'],
  css: ['~/assets/look.css'],
  // What a file uses it names: arrows between rooms can be read, and are linted.
  components: { dirs: [] },
  imports: { autoImport: false, scan: false },
  typescript: {
    strict: true,
    tsConfig: {
      compilerOptions: { noUncheckedIndexedAccess: true, noUnusedLocals: true },
      exclude: [
        '../tests',
        '../scripts',
        '../.data',
        '../.output',
        '../*.config.ts',
        '../**/*.test.ts',
      ],
    },
  },
  app: {
    head: {
      htmlAttrs: { lang: 'en' },
      title: 'Mellow Anchor',
      meta: [
        { name: 'viewport', content: 'width=device-width, initial-scale=1' },
        { name: 'description', content: 'For hydraulic clutch release circuits: find, bleed, prove.' },
      ],
      link: [{ rel: 'icon', type: 'image/svg+xml', href: '/anchor.svg' }],
    },
  },
  vite: {
    plugins: [tailwindcss()],
    // What the PDF package would fetch to draw web pages; ours are drawn line by line, and nobody’s browser keeps it.
    build: { rollupOptions: { external: ['html2canvas', 'canvg', 'dompurify'] } },
    worker: { format: 'es' },
    server: { hmr: { host: loopback } },
  },
  hooks: {
    'vite:extendConfig'(config) {
      // The server side's own hot-reload socket would otherwise listen on every address.
      Object.assign(config, { server: { ...config.server, hmr: { host: loopback } } })
    },
  },
  // A worker's script must carry the page's own embedder policy, or the browser refuses to start it.
  routeRules: { '/_nuxt/**': { headers: { 'cross-origin-embedder-policy': 'credentialless' } } },
  nitro: {
    errorHandler: '~~/server/problem-handler.ts',
    // Only threads use it, which the build does not look into.
    externals: { traceInclude: [import.meta.resolve('pdfmake').replace('file://', '')] },
    compressPublicAssets: { gzip: true, brotli: false },
    // Letters of what is printed as PDF.
    serverAssets: [
      { baseName: 'pdf-fonts', dir: '../node_modules/@fontsource/atkinson-hyperlegible/files' },
    ],
  },
  security: {
    corsHandler: false,
    rateLimiter: false,
    xssValidator: false,
    // Sizes are bounded where a body is read, which also holds for a body of unstated length.
    requestSizeLimiter: false,
    headers: {
      contentSecurityPolicy: {
        'default-src': ["'self'"],
        'base-uri': ["'none'"],
        'connect-src': ["'self'"],
        'font-src': ["'self'"],
        'form-action': ["'self'"],
        'frame-ancestors': ["'none'"],
        'img-src': ["'self'", 'data:', 'blob:'],
        'object-src': ["'none'"],
        'script-src': ["'self'", "'strict-dynamic'", "'nonce-{{nonce}}'"],
        'script-src-attr': ["'none'"],
        'style-src': ["'self'", "'unsafe-inline'"],
        'worker-src': ["'self'"],
        'upgrade-insecure-requests': false,
      },
      // The line listens where the browser can.
      permissionsPolicy: { microphone: ['self'] },
      strictTransportSecurity: false,
      xFrameOptions: 'DENY',
      referrerPolicy: 'no-referrer',
    },
  },
})
