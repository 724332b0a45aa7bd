import fs from 'node:fs';
import { openBrowser } from '../e2e/harness/browser.ts';
import { runServer } from '../e2e/harness/server.ts';
const server = await runServer();
const page = await openBrowser();
const [w, h] = (process.argv[2] ?? '1280x800').split('x').map(Number) as [number, number];
await page.size(w, h);
const { projects } = (await (await fetch(server.address + '/api/projects')).json()) as any;
const id = projects[0].id;
for (const spec of process.argv.slice(3)) {
  const [name, path, wait, ...keys] = spec.split('|');
  await page.driver.get(server.address + path!.replace('ID', id));
  await page.driver.sleep(Number(wait ?? 1500));
  for (const k of keys) {
    await page.driver.executeScript(k);
    await page.driver.sleep(500);
  }
  fs.writeFileSync(`/tmp/${name}.png`, Buffer.from(await page.driver.takeScreenshot(), 'base64'));
  const logs = await page.driver.manage().logs().get('browser');
  for (const l of logs) console.log(name, l.level.name, l.message.slice(0, 300));
}
await page.quit();
await server.stop();
