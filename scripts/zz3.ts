import { readFileSync } from 'node:fs';
import { recordOf } from '@/core/estimate/recordOf';
import { planStudent } from '@/core/plan/plan';
import { stackWords } from '@/core/props/stack';
import { wordsIn, slotName } from '@/ui/words/words';
import { poseById, stagesOf } from '@/core/poses/poses';
import { piecesIn } from '@/core/plan/pieces';
const book=JSON.parse(readFileSync('demo/kingfisher-boathouse.json','utf8'));
const who=process.argv[2]; const only=process.argv[3]?.split(',');
const person=book.people.find((p:any)=>p.id===who);
const plan=planStudent(recordOf(book,person),book.shelf,'2026-03-27' as never, only?{poses:only}:{});
const say=wordsIn('cm');
for(const p of plan.poses){ const pose=poseById(p.pose)!; if(p.side==='right'&&!only) continue;
 console.log(`\n## ${pose.name} ${p.side} [${p.status}] ${p.way} — ${stagesOf(pose,p.way).find(s=>s.id===p.stage)?.name??''} | ${p.decision.word} | ${piecesIn(p)} pieces | ${p.holdSeconds}s ${p.times??''} ${p.instead??''}`);
 console.log('   ', p.reasons.map(say.reason).join(' '));
 for(const s of p.slots) if(s.stack.length||s.targetCm>1) console.log(`   - ${slotName(s)} ${s.targetCm.toFixed(0)}→${s.stackCm.toFixed(1)}: ${s.stack.length?stackWords(s.stack,book.shelf):'—'} :: ${say.reasons(s.reasons)}`);
 if(process.argv[4]) console.log(JSON.stringify(p.findings));
}
