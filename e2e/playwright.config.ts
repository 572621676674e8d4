import { defineConfig } from '@playwright/test';

const SCREENS = {
  desktop: { width: 1280, height: 800 },
  tablet: { width: 820, height: 1180 },
};

export default defineConfig({
  testDir: 'tests',
  fullyParallel: true,
  workers: 2,
  forbidOnly: true,
  // The machine is shared and noisy: once more before it counts; the list says which were flaky.
  retries: 1,
  reporter: [['list']],
  timeout: 90_000,
  expect: { timeout: 20_000 },
  use: {
    colorScheme: 'light',
    // Colours are looked at as they come to rest, not half way through a fade.
    contextOptions: { reducedMotion: 'reduce' },
    screenshot: 'only-on-failure',
    launchOptions: {
      executablePath: process.env['CHROME_BIN'] ?? '/usr/bin/chromium',
      args: ['--no-sandbox', '--disable-gpu', '--disable-background-networking'],
    },
  },
  projects: Object.entries(SCREENS).map(([name, viewport]) => ({
    name,
    use: { viewport },
    // What is worked out and kept is the same on every screen; walks have screens of their own.
    grep: name === 'tablet' ? /@both-screens/ : undefined,
  })),
});
