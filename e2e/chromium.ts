/** How Debian's Chromium is started, with more arguments where a test needs them. */
export const chromiumWith = (...more: string[]) => ({
  executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium',
  args: [
    '--headless',
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
    ...more,
  ],
});
