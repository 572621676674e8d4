const { existsSync } = require('node:fs');
if (!process.env.CHROME_BIN && existsSync('/usr/bin/chromium')) process.env.CHROME_BIN = '/usr/bin/chromium';

module.exports = (config) =>
  config.set({
    frameworks: ['jasmine'],
    plugins: [require('karma-jasmine'), require('karma-chrome-launcher')],
    reporters: ['dots'],
    browsers: ['Chromium'],
    customLaunchers: {
      Chromium: {
        base: 'ChromeHeadless',
        flags: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
      },
    },
    client: { jasmine: { random: true } },
    restartOnFileChange: false,
    singleRun: true,
  });
