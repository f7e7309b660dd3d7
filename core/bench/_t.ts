import { recordings } from './recordings';
import { createListener, createRandom, hz, typicalInharmonicity, equalHz, noteName, centsBetween } from '../src/index';
for (const due of [true,false]) { let ok=0; const bad:string[]=[];
for (const r of await recordings()) {
  const l=createListener({sampleRate:r.sampleRate,strings:{lowest:21,highest:108,a4:hz(440),inharmonicityAt:n=>typicalInharmonicity('grand',n)}});
  if(due) l.expect({note:r.note,pitch:equalHz(r.note,hz(440))});
  const rnd=createRandom(r.note); const room=new Float32Array(r.sampleRate).map(()=>1e-5*rnd.normal());
  const ev=[...l.push(room),...l.push(r.samples),...l.push(room)];
  const rd=ev.filter(e=>e.kind==='reading').map(e=>(e as any).reading);
  const first=rd[0];
  if(first&&first.note===r.note) ok++; else bad.push(noteName(r.note)+':'+(first?noteName(first.note):ev.filter(e=>e.kind==='refused').map(e=>(e as any).why).join(',')));
  if(due&&r.note>=93) console.log(noteName(r.note), first&&noteName(first.note), first&&centsBetween(equalHz(r.note,hz(440)),first.pitch).toFixed(1), first?.pitchError, first?.inharmonicity, first?.partials.map((p:any)=>p.partial).join(','), rd.length);
}
console.log(due,ok,bad.join(' '));}
