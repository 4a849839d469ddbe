import { existsSync } from 'node:fs'
import { ensureProgram, Plain } from './debian'

/** Debian's Chromium without its window: a page opens in two thirds of the time, with half the work. */
const WINDOWLESS = '/usr/bin/chromium-headless-shell'

/** Installs it; where that cannot be had, Chromium with its window. */
export async function ensureChromium(): Promise<void> {
  try {
    await ensureProgram('chromium-headless-shell', 'chromium-headless-shell')
  } catch (error) {
    if (!(error instanceof Plain)) throw error
    await ensureProgram('chromium', 'chromium')
  }
}

/** How Debian's Chromium is started, for tests and pictures alike. */
export const CHROMIUM = {
  get executablePath() {
    return existsSync(WINDOWLESS) ? WINDOWLESS : '/usr/bin/chromium'
  },
  args: [
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    // Root may not use the sandbox; the pages shown are our own.
    ...(process.getuid?.() === 0 ? ['--no-sandbox'] : []),
  ],
}
