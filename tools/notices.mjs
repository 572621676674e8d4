import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from './lib/project.mjs';

// NOTICES.md lists every package that runs in the product, from the lock file.
const { packages } = JSON.parse(readFileSync(join(ROOT, 'package-lock.json'), 'utf8'));
const rows = Object.entries(packages)
  .filter(
    ([path, { dev, link, devOptional, optional }]) =>
      path.includes('node_modules/') && !dev && !link && !devOptional && !optional,
  )
  .map(
    ([path, { version, license }]) =>
      `| ${path.split('node_modules/').at(-1)} | ${version} | ${license ?? 'see the package'} |`,
  );
const text = `# Notices

Mellow Anvil is under the MIT licence (see LICENSE). It stands on the work of others:

## Fonts
Atkinson Hyperlegible Next, under the SIL Open Font Licence 1.1, packaged by Fontsource; its licence text is in the package \`@fontsource/atkinson-hyperlegible-next\`.

## Packages
Written by \`npm run notices\` from the lock file; each package's own licence file is in its folder under node_modules, and the full texts of those in the page are served at /notices.txt.

| package | version | licence |
| --- | --- | --- |
${[...new Set(rows)].sort().join('\n')}
`;
writeFileSync(join(ROOT, 'NOTICES.md'), text);
