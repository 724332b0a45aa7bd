// npm run bench: speed, as ratios within one run.
import { ensureBrowser, ensureBuilt, ensureInstalled, run } from './ensure.mjs';

ensureInstalled();
ensureBrowser();
ensureBuilt();
run('node', ['--expose-gc', '--conditions=source', '--import', 'tsx', 'bench/main.ts']);
