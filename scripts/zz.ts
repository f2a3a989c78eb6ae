import { planStudent } from '@/core/plan/plan';
import { ordinaryAdult } from '@/core/sim/room';
import { studioShelf } from '@/core/props/usualShelves';
for (let i=0;i<24;i++){ const r=ordinaryAdult(i,1,'built-up-alignment'); const p=planStudent(r,studioShelf,'2026-03-02' as never,{poses:['seated-fold']}).poses[0]!;
 console.log(p.slots.map(s=>`${s.slot} ${s.targetCm.toFixed(0)}→${s.stackCm.toFixed(0)} ${s.over??''}`).join(' | '), 'fold',p.findings.foldDeg?.toFixed(0), 'ham', Math.min(...r.readings.filter(x=>x.range==='hamstring').map(x=>x.values[0]!))); }
