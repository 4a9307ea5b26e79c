/** How Debian's Chromium is started, for the tests and for the pictures: no sandbox as root, nothing asked of the network. */
export const chromiumOptions = {
  executablePath: '/usr/bin/chromium-headless-shell',
  args: [
    '--no-sandbox',
    '--disable-gpu',
    '--disable-quic',
    '--no-first-run',
    '--disable-background-networking',
    '--disable-component-update',
    '--disable-sync',
  ],
};
