import { buildDemo } from './src/demo/build';
import { problemOf, solve, makeInputs } from './src/core/fit';
import { SHIPPED_METHODS } from './src/core/method';
import { BRITISH, filledBody } from './src/core/population';
import { DIMENSIONS } from './src/core/body';
import { certaintyOfSeat, drawsOf, quickCertainty } from './src/core/certainty';
import { bodyOf } from './bench/body';
const demo = buildDemo(23, new Date('2026-11-25'), {seats:400});
const s = demo.sitters.find(x=>x.name.startsWith('Sunniva'))!;
const read = Object.fromEntries(Object.entries(bodyOf(s.readings)).map(([id,q])=>[id,{...q,spread:(DIMENSIONS as any)[id].repeatTolerance/2}]));
const body = filledBody(read as any,{sex:'women',ageYears:38},BRITISH);
const place = demo.places.find(x=>x.place.name==='Chart room table')!.place;
const draws=drawsOf(body,{seed:1,count:Number(process.argv[2]??4096)});
const cases = demo.seats.map(({seat})=>{ const p=problemOf(makeInputs({sitter:{ageYears:38},body,seat,place,method:SHIPPED_METHODS[0]!,work:{toolsKg:0}})); return {p,settings:solve(p,{remedies:{}}).settings};});
for (let r=0;r<8;r++) { const by:Record<string,number[]>={}; const t0=performance.now(); for (const {p,settings} of cases) { const t=performance.now(); certaintyOfSeat(p,settings,draws); const dt=performance.now()-t; (by[p.inputs.seat.name.split(',')[0]!]??=[]).push(dt);} console.log('all',((performance.now()-t0)/cases.length).toFixed(2)); if(r===7) for (const [k,v] of Object.entries(by)) console.log(k, (v.reduce((a,b)=>a+b)/v.length).toFixed(2), Math.max(...v).toFixed(1)); }
for(let r=0;r<4;r++){const t=performance.now(); for (const {p} of cases) solve(problemOf(p.inputs),{remedies:{}}); console.log("solve 400", (performance.now()-t).toFixed(0));}
