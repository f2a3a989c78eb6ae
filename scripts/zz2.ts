import { bodyFrom } from '@/core/body/body';
import { settingsFor } from '@/core/safety/settings';
import { choicesFor } from '@/core/approaches/approaches';
import { longLegs } from '@/core/geometry/longSit';
import { pelvisLeanDeg, surfaceUnder } from '@/core/geometry/seatedFold';
import { foldedTrunk, AT_REST } from '@/core/geometry/foldedTrunk';
const body=bodyFrom(172); const settings=settingsFor(choicesFor('built-up-alignment',{}),new Set());
for (const h of [40,54,66,80]) { const values:any={}; for (const s of ['left','right']) Object.assign(values,{['hamstring:'+s]:h,['hipFlexion:'+s]:118}); values.hamstringCoupling=.95;
 const input={body,settings,values,side:'both' as const};
 for (const sp of [40,50]) for (const k of [8,14,20,24,28,32]) { const legs=longLegs(8,k,body); const lean=pelvisLeanDeg(legs,input); const t=foldedTrunk(input,legs.hip,lean,(x)=>surfaceUnder(x,legs,body),{...AT_REST,spineDeg:sp}); console.log(h,'spine',sp,'k',k,'bend',legs.kneeBendDeg.toFixed(0),'lean',lean.toFixed(0),'end',t.endLeanDeg.toFixed(0),'fore',t.forehead.map(n=>n.toFixed(0)).join(),'overLegs',t.overLegsCm.toFixed(0), 'chest',t.chestCm.toFixed(0),'at',t.chestX.toFixed(0), 'knee', legs.knee.map(n=>n.toFixed(0)).join()); } }
