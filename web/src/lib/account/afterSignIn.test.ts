import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { afterSignIn } from './afterSignIn';

const BASE = new URL('http://localhost:4173/signin');

describe('where to go after sign-in', () => {
	it.each([
		['/visits/1/set', '/visits/1/set'],
		['/intervals?instrument=1&notes=C4+E4', '/intervals?instrument=1&notes=C4+E4'],
		['/temperaments/../instruments#top', '/instruments#top'],
		[null, '/'],
		['', '/'],
		['instruments', '/']
	])('%j leads to %j', (next, to) => expect(afterSignIn(next, BASE)).toBe(to));

	it.each([
		'//elsewhere.example',
		'/\\elsewhere.example',
		'/\t/elsewhere.example',
		'/\n/elsewhere.example',
		'/\r\n//elsewhere.example',
		'\\\\elsewhere.example',
		'https://elsewhere.example',
		'javascript:alert(1)',
		'//[broken'
	])('%j leads home', (next) => expect(afterSignIn(next, BASE)).toBe('/'));

	it('never leads away, whatever the address says', () => {
		const piece = fc.constantFrom('/', '\\', '\t', '\n', ':', '@', 'elsewhere.example', '..', '?', '#', '%2f', 'a');
		fc.assert(
			fc.property(fc.array(piece, { maxLength: 8 }), (pieces) => {
				const to = afterSignIn(pieces.join(''), BASE);
				// As the browser reads it.
				return new URL(to, BASE).origin === BASE.origin && to.startsWith('/');
			}),
			{ numRuns: 2000 }
		);
	});
});
