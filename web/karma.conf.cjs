const { existsSync } = require('node:fs');
if (!process.env.CHROME_BIN && existsSync('/usr/bin/chromium')) process.env.CHROME_BIN = '/usr/bin/chromium';

module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher'), require('karma-coverage')],
    reporters: ['dots'],
    coverageReporter: { reporters: [{ type: 'text-summary' }] },
    browsers: ['Chromium'],
    customLaunchers: {
      Chromium: {
        base: 'ChromeHeadless',
        flags: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      },
    },
    // The machine is shared: a worker may take seconds only to start.
    client: { jasmine: { random: true, timeoutInterval: 60_000 } },
    browserNoActivityTimeout: 120_000,
    // A page that parses while others have the processor answers late, and is there all the same.
    pingTimeout: 120_000,
    browserDisconnectTimeout: 60_000,
    captureTimeout: 180_000,
    restartOnFileChange: false,
    singleRun: true,
  });
