import { seeded } from '@spare-acre/core/base/random';
const random = seeded(3); let a=0; for(let i=0;i<15;i++){const [w,h]=[50+Math.round(random()*60),40+Math.round(random()*50)]; a+= i%2===0? w*h/2 : w*h*0.35+w*0.3*h*0.65;} console.log(a, a/(230*180), a/(230*190), a/(230*200));
