/** How Debian's Chromium is started, for tests and pictures alike. */
export const CHROMIUM = {
  executablePath: '/usr/bin/chromium',
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
