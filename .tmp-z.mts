import { regionOf, inRegion } from './src/core/certainty/linear';
const F=(...x:number[])=>Float64Array.from(x);
const r=regionOf([{at:415.8,move:F(-1),off:F(1,1)},{at:-382.9,move:F(1),off:F(-1,-1)}],[{type:'slides',lo:428,hi:538}],F(3,3));
console.log(JSON.stringify(r));
console.log(inRegion(r, F(0,0,10,10,3,3), 2, 3));
