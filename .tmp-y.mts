(globalThis as any).DBG=1;
import { buildDemo } from './src/demo/build';
import { problemOf, solve, withBody, makeInputs } from './src/core/fit';
import { SHIPPED_METHODS } from './src/core/method';
import { BRITISH, filledBody } from './src/core/population';
import { DIMENSIONS } from './src/core/body';
import { certaintyOfSeat, drawsOf, quickCertainty } from './src/core/certainty';
import { bodyOf } from './bench/body';
import { placeWith, slides } from './test/support/inputs';
import { lookingOf, somePositionFits } from './test/support/some-position';
const demo = buildDemo(5, new Date('2026-11-25'), {sitters:40, seats:40});
const sitters = demo.sitters.filter(s=>s.readings.length>=14);
const QUICK = ['stature','bodyMass','shoeHeel','poplitealHeight','buttockPoplitealLength','elbowHeightSitting','hipBreadthSitting'];
const N = Number(process.argv[2] ?? 300);
for (const n of process.argv.slice(3).map(Number)) {
  const s = sitters[n%sitters.length]!;
  const few = n%3!==0;
  const ids = few?['stature','bodyMass','shoeHeel']:QUICK;
  const read = Object.fromEntries(Object.entries(bodyOf(s.readings)).filter(([id])=>ids.includes(id)).map(([id,q])=>[id,{...q,spread:(DIMENSIONS as any)[id].repeatTolerance/2}]));
  const body = filledBody(read as any,{sex:null,ageYears:40},BRITISH);
  const seat = demo.seats[(n*7)%demo.seats.length]!.seat;
  const place = n%4<2 ? placeWith(slides(640,800)) : null;
  const p = problemOf(makeInputs({sitter:{ageYears:40},body,seat,place,method: few? SHIPPED_METHODS.find(m=>m.id==='sitter-led')! : SHIPPED_METHODS[0]!,work:{toolsKg:0}}));
  const {settings}=solve(p,{remedies:{}});
  const draws=drawsOf(body,{seed:n+1,count:4096});
  let t=performance.now(); const c=certaintyOfSeat(p,settings,draws); const tq=performance.now()-t;
  if (c.all<0.02||c.all>0.98) continue;
  console.log(n, JSON.stringify(c.each.slice(0,8).map(x=>[x.id,+(100*x.probability).toFixed(1)])));
  { const full=lookingOf(p); const {computableConditions, valuesOfSettings}=await import('./src/core/fit'); const { bandOf } = await import('./src/core/method');
    const v0=valuesOfSettings(p,settings); for (const k of Object.values(p.variables)) console.log('   ',k.kind, v0[k.kind], k.values.length, k.values[0], k.values.at(-1));
    for (const cc of computableConditions(p)) { const one={first:full.first.filter(k=>cc.scope.includes(k)), early:[] as any, pieces:[] as any}; const kinds=Object.values(p.variables).map(x=>x.kind).filter(k=>cc.scope.includes(k)&&!one.first.includes(k)); one.early=one.first.map((k:any,i:number)=> kinds.length===0&&i===one.first.length-1?[cc]:[]); one.pieces= kinds.length||one.first.length===0?[{kinds:kinds, conditions:[cc]}]:[]; let hit=0; const M=100; for(let d=0;d<M;d++){ const b:any={...body}; draws.ids.forEach((id,i)=>{const q:any=body[id]; b[id]={...q,value:q.value+draws.off[d*draws.ids.length+i]!}}); const pb=withBody(p,b); if (kinds.length>2) {hit=NaN;break;} if(somePositionFits(pb,one as any)) hit++; } console.log('   ', cc.id, 'res', cc.residual(p,v0).toFixed(1), JSON.stringify(bandOf(p.targets[cc.id])), 'exact alone', hit); } }
  const plan=lookingOf(p); process.stdout.write(`${n} ${seat.name} first ${plan.first.map(k=>p.variables[k]!.values.length).join('x')} pieces ${plan.pieces.map(x=>x.kinds.join('+')).join(' ')}\n`);
 if (plan.first.reduce((a,k)=>a*p.variables[k]!.values.length,1)>400 || plan.pieces.some(x=>x.kinds.length>2)) { console.log('   skip', (100*c.all).toFixed(1), tq.toFixed(1)); continue; } let hit=0; t=performance.now();
  for(let d=0;d<N;d++){ const b:any={...body}; draws.ids.forEach((id,i)=>{const q:any=body[id]; b[id]={...q,value:q.value+draws.off[d*draws.ids.length+i]!}}); if(somePositionFits(withBody(p,b),plan)) hit++; }
  const te=performance.now()-t;
  console.log(n, seat.name.slice(0,22).padEnd(22), (place?.name ?? "-").slice(0,18).padEnd(18), p.inputs.method.id.padEnd(14), 'quick',(100*c.all).toFixed(1), 'exact',(100*hit/N).toFixed(1), 'set', (100*quickCertainty(p,settings,draws).all).toFixed(1), 'lim',c.limiting, 'ms',tq.toFixed(1), 'exact ms/draw',(te/N).toFixed(2));
}
