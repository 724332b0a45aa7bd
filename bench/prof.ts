import { homeBeforeDusk } from '@stadion/core/demo';
import { prepareLevel, makeWorld, startAttempt, step } from '@stadion/core/attempt';
import { pacerById, makePlayer, playerInput, drawPlayer } from '@stadion/core/pacers';
const p = homeBeforeDusk();
const steady=pacerById('steady')!;
const w = [7,9,16,22].map(pos=>makeWorld(prepareLevel(p,pos)));
let secs=0,n=0; const t0=performance.now();
for (let k=0;k<6;k++){ for (const ww of w) for(let s=0;s<100;s++){ const st=startAttempt(ww,s); const pl=makePlayer(st,drawPlayer(steady,s),s); while(st.phase==='playing') step(st,playerInput(pl,st)); secs+=st.tick/60;n++; }
 console.log((secs/((performance.now()-t0)/1000)).toFixed(0),'sim s/s', n); }
