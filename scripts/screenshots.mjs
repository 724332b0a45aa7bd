// npm run screenshots: one picture of each main view, from the demo.
import { ensureBrowser, ensureBuilt, ensureInstalled, run } from './ensure.mjs';

ensureInstalled();
ensureBrowser();
ensureBuilt();
run('node', ['--conditions=source', '--import', 'tsx', 'e2e/screenshots.ts']);
