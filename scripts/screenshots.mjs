// npm run screenshots: one picture of each main view, from the demo.
import { ensureTestPrograms, ensureBuilt, ensureInstalled, run } from './ensure.mjs';

ensureInstalled();
ensureTestPrograms();
ensureBuilt();
run('node', ['--conditions=source', '--import', 'tsx', 'e2e/screenshots.ts']);
