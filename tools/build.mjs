import { build, install } from './lib/project.mjs';

install();
build();
