import { sheetsOf } from '@spare-acre/core/catalogue';
import { WORKSHOP_CATALOGUE as catalogue } from '@spare-acre/core/catalogue/workshop';
import { seeded } from '@spare-acre/core/base/random';
import { improveLayout } from '@spare-acre/core/cutting/nesting';
const sizes = sheetsOf(catalogue, 'xps-foam', 30).map(({ widthMm, depthMm, priceMinor }) => ({ widthMm, depthMm, trimMm: 5, offcutId: null, priceMinor }));
console.log(JSON.stringify(sizes.map(s=>[s.widthMm,s.depthMm,s.priceMinor,(s.priceMinor/((s.widthMm-10)*(s.depthMm-10))*1e6).toFixed(0)])));
const count=60; const sec=Number(process.argv[2]??4);
const cpu=()=>process.cpuUsage().user/1e6;
let own=0,bnd=0;
for (let seed=1;seed<=20;seed++){
 const random=seeded(seed*1000+count);
 const blanks=Array.from({length:count},(_,i)=>({id:`p${i}`,widthMm:40+Math.round(random()*460),depthMm:40+Math.round(random()*360),mayTurn:true}));
 const rack=[0,1].map(i=>({widthMm:200+Math.round(random()*400),depthMm:150+Math.round(random()*300),trimMm:0,offcutId:`o${i}`,priceMinor:0}));
 const task={blanks,stock:[...sizes,...rack],kerfMm:1,aim:'cheapest' as const,pinned:[]};
 const until=cpu()+sec; let last:any; const t0=cpu(); const when:string[]=[]; let prev=0;
 for(const one of improveLayout(task as never,seeded(seed))){ if(last===undefined||one.cost<last.cost-1e-9) when.push(`${one.cost.toFixed(0)}@${(cpu()-t0).toFixed(1)}`); last=one; if(one.isProven||cpu()>until)break; }
 own+=last.cost; bnd+=last.bound;
 const used:Record<string,number>={}; for(const s of last.layout.sheets) used[`${s.stock.widthMm}x${s.stock.depthMm}`]=(used[`${s.stock.widthMm}x${s.stock.depthMm}`]??0)+1;
 if(!last.isProven) console.log(seed,'cost',last.cost,'bound',last.bound,when.join(' '),JSON.stringify(used),'moves',last.moves, 'area', (blanks.reduce((s,b)=>s+(b.widthMm+1)*(b.depthMm+1),0)/1e6).toFixed(3));
}
console.log(`over ${(100*(own/bnd-1)).toFixed(2)} %`);
