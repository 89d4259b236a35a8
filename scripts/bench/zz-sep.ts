import { seeded } from '@spare-acre/core/base/random';
import { convexPieces } from '/work/main/packages/core/src/cutting/nesting/convex';
import { Separation } from '/work/main/packages/core/src/cutting/nesting/separation';
import { placedOutline } from '/work/main/packages/core/src/cutting/nesting/outline';
import { shapedPart } from '/work/main/scripts/bench/layouts';
const count=Number(process.argv[2]??32), seed=Number(process.argv[3]??2), sec=Number(process.argv[4]??10), scale=Number(process.argv[5]??1);
const random=seeded(seed*100+count);const parts=Array.from({length:count},(_,i)=>shapedPart(`p${i}`,i%3,120+random()*220,100+random()*160));
const bodies=parts.map(part=>({fixed:null,lies:[[false,false],[true,false],[false,true],[true,true]].map(([turned,half])=>{const o=placedOutline(part,{turned:turned!,half:half!}); return {widthMm:turned?part.depthMm:part.widthMm,depthMm:turned?part.widthMm:part.depthMm,pieces:convexPieces(o)};})}));
console.log('pieces',bodies.slice(0,3).map(b=>b.lies[0]!.pieces.length), (parts.reduce((s,{areaMm2})=>s+areaMm2,0)/(1190*590*scale)).toFixed(3));
const cpu=()=>process.cpuUsage().user/1e6; const t0=cpu();
const s=new Separation(bodies,[{w:1190*scale,h:590}],1,seeded(Number(process.argv[6]??7)),[]);
let k=0; let last=Infinity; while(!s.isClear&&cpu()-t0<sec){s.sweep();k++; const d=(s as any).bestDepth; if(d<last*0.8){last=d;}}
console.log(s.isClear?'CLEAR':'not',(cpu()-t0).toFixed(2),'sweeps',k,'best',(s as any).bestDepth.toFixed(2));
