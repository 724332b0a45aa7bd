import fs from 'node:fs';
import { manyLevels } from '@stadion/core/demo';
import { exportProject } from '@stadion/core/formats';
import { openBrowser } from '../e2e/harness/browser.ts';
import { runServer } from '../e2e/harness/server.ts';
const server = await runServer();
const page = await openBrowser();
const text = JSON.stringify(exportProject(manyLevels(500, 60)));
console.log('MB', text.length / 1e6);
let t0 = performance.now();
const r = await fetch(server.address + '/api/projects/import', {
  method: 'POST',
  headers: { 'Content-Type': 'text/plain' },
  body: text,
});
const j = (await r.json()) as any;
console.log(r.status, j, 'import ms', performance.now() - t0);
for (let i = 0; i < 4; i++) {
  t0 = performance.now();
  const p = await fetch(`${server.address}/api/projects/${j.id}`, {
    method: 'PATCH',
    headers: { 'Content-Type': 'application/json', 'If-Match': `"${i}"` },
    body: JSON.stringify({
      edits: [
        {
          id: 'edit-number-' + i,
          label: 'x',
          patch: [{ op: 'replace', path: '/slots/3/wanted', value: 0.5 + i / 100 }],
        },
      ],
    }),
  });
  console.log('patch', p.status, (performance.now() - t0).toFixed(0), 'ms');
}
await page.driver.get(`${server.address}/projects/${j.id}/level/slot-250`);
await page.find('section[aria-label=Sequence]');
await page.driver.sleep(5000);
fs.writeFileSync('/tmp/m1.png', Buffer.from(await page.driver.takeScreenshot(), 'base64'));
const meas = await page.driver.executeAsyncScript(
  `const done=arguments[0]; const out=[]; let n=0; const go=()=>{ const t=performance.now(); window.dispatchEvent(new KeyboardEvent('keydown',{key:']',bubbles:true})); requestAnimationFrame(()=>setTimeout(()=>{ out.push(Math.round(performance.now()-t)); if(++n<12) setTimeout(go,150); else done(out); })) }; go();`,
);
console.log('step to next slot, ms', meas);
await page.driver.get(`${server.address}/projects/${j.id}/ramps/slot-250?lane=hornetSpeed`);
await page.driver.sleep(3000);
fs.writeFileSync('/tmp/m2.png', Buffer.from(await page.driver.takeScreenshot(), 'base64'));
const scroll = await page.driver.executeAsyncScript(
  `const done=arguments[0]; const el=document.querySelector('section[aria-label=Sequence]'); const out=[]; let n=0; const go=()=>{ const t=performance.now(); el.dispatchEvent(new WheelEvent('wheel',{deltaY:120,bubbles:true})); requestAnimationFrame(()=>setTimeout(()=>{ out.push(Math.round(performance.now()-t)); if(++n<15) setTimeout(go,60); else done(out); })) }; go();`,
);
console.log('scroll ms', scroll);
await page.quit();
await server.stop();
