import { adversarialFigures } from './adversarial';
for (const s of [1, 2]) {
	const f = adversarialFigures(s);
	console.log(s, f.wrong, f.counts.map((c) => c.kind + ':' + c.read + '/' + c.all).join(' '));
}
