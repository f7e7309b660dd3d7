import { recordings, LAYERS } from './recordings';
import { decimated } from '../src/numeric/decimate';
import { partialEnvelope, fitDampedPartial } from '../src/listening/closer/envelope';
import { resolveComponents } from '../src/listening/closer/components';
import { equalHz, hz, partialHz, stringFromFirstPartial } from '../src/index';
import { usualB } from '../fixtures/strikePairs';
for (const l of LAYERS) for (const r of await recordings(l)) {
  if (r.note < 40 || r.note > 76 ) continue;
  const by = 4; const s = decimated(r.samples, by); const rate = r.sampleRate/by;
  const onset = s.findIndex(v=>Math.abs(v)>0.02);
  const seg = s.subarray(onset+Math.round(.12*rate), onset+Math.round(3.12*rate));
  const f0 = equalHz(r.note, hz(440));
  const string = stringFromFirstPartial(f0, usualB(r.note)*0.6);
  const row:string[]=[];
  for (const p of [1,2,3,4,5,6]) {
    const about = partialHz(string,p); if (about>1400) break;
    const env = partialEnvelope(seg, rate, about, Math.min(f0, 60));
    if(!env) continue;
    const one = fitDampedPartial(env)!; const c = resolveComponents(env,3)!.components;
    row.push(`${p}@${about.toFixed(0)}: mean ${(one.frequency-about).toFixed(2)} left ${one.left.toFixed(2)} lines ${c.map(x=>(x.frequency-about).toFixed(2)+'/'+(x.amplitude/c[0].amplitude).toFixed(2)+'/'+x.decaySeconds.toFixed(1)).join(' ')}`);
  }
  if (l===10) console.log(r.name, '\n  '+row.join('\n  '));
}
