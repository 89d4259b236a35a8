import { seeded } from '@spare-acre/core/base/random';
import { shapedPart } from './layouts';
for (const count of [16,32]) for (let seed=1;seed<=6;seed++){const random=seeded(seed*100+count);const parts=Array.from({length:count},(_,i)=>shapedPart(`p${i}`,i%3,120+random()*220,100+random()*160)); console.log(count,seed,(parts.reduce((s,{areaMm2})=>s+areaMm2,0)/(1190*590)).toFixed(3),'boxes',(parts.reduce((s,{widthMm,depthMm})=>s+widthMm*depthMm,0)/(1190*590)).toFixed(3));}
