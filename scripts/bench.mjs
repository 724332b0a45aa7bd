// npm run bench: speed, as ratios within one run.
import { ensureTestPrograms, ensureBuilt, ensureInstalled, run } from './ensure.mjs';

ensureInstalled();
ensureTestPrograms();
ensureBuilt();
run('node', ['--expose-gc', '--conditions=source', '--import', 'tsx', 'bench/main.ts']);
