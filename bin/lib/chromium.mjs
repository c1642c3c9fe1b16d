/** How Debian's Chromium is started headless, also as root, without asking anybody outside for anything. */
export const chromiumArgs = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

export const chromiumPath = () => process.env.CHROMIUM || '/usr/bin/chromium';
