import { homeBeforeDusk } from '@stadion/core/demo';
import { Project, findReferenceProblems } from '@stadion/core/model';
import { prepareLevel, makeWorld } from '@stadion/core/attempt';
import { attemptOnce, emptyTally, playBatch, forecastOf } from '@stadion/core/trials';
import { PACERS, PERFECT } from '@stadion/core/pacers';
const p = homeBeforeDusk();
console.log(Project.safeParse(p).error?.issues, findReferenceProblems(p));
const t0 = performance.now();
let n=0, secs=0;
for (let pos=1; pos<=24; pos++) {
  const w = makeWorld(prepareLevel(p,pos));
  const out:string[]=[];
  for (const pacer of PACERS) { const t = emptyTally(); playBatch(w,pacer,0,100,t); const f=forecastOf(t); n+=100; out.push(`${pacer.id} ${(f.clearRate*100).toFixed(0)}% med ${f.medianSeconds?.toFixed(1)} stars ${f.stars.slice(1,4)} ${f.endings.slice(0,3).map(e=>e.rule+'/'+e.lifeRule+':'+e.count)}`); }
  let perf=0; for(let s=0;s<20;s++){ const r=attemptOnce(w,PERFECT,s); if(r.won) perf++; }
  console.log(pos, p.levels[p.slots[pos-1]!.levelId]!.name, '|', out.join(' | '), '| perfect', perf,'/20');
}
console.log((performance.now()-t0)/n, 'ms per attempt');
