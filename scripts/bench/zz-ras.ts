import { seeded } from '@spare-acre/core/base/random';
import { improveFreeform, blankOf } from '@spare-acre/core/cutting/nesting';
import { shapedPart } from './layouts';
const cpu=()=>process.cpuUsage().user/1e6;
for (const seed of [2,6,4]) for (const scale of [1.25,1.2,1.15]) {
const random=seeded(seed*100+32);const parts=Array.from({length:32},(_,i)=>shapedPart(`p${i}`,i%3,120+random()*220,100+random()*160));
const task={blanks:parts.map(blankOf),stock:[{widthMm:1190*scale+10,depthMm:600,trimMm:5,offcutId:null,priceMinor:100}],kerfMm:1,aim:'fewest' as const,pinned:[]};
const t0=cpu(); let n=99; for (const {layout} of improveFreeform(task as never,parts,true,seeded(3))) { n=layout.sheets.length; if(n===1||cpu()-t0>6) break; }
console.log(seed,scale,'density',(parts.reduce((s,{areaMm2})=>s+areaMm2,0)/(1190*scale*590)).toFixed(3),'sheets',n,(cpu()-t0).toFixed(1));}
