import { availableParallelism } from 'node:os';
import { Piscina } from 'piscina';
import { writing } from '$lib/ui/writing';
import type { Facts, Printed } from './printing';

/** A thread that has had nothing to do for so long ends. */
const IDLE_MS = 30_000;

let opened: Promise<(job: unknown) => Promise<Uint8Array>> | undefined;

async function open() {
	const { default: print, here } = await import('./printing');
	// From its source there is nothing that a thread could run.
	if (here.endsWith('.ts')) return print as (job: unknown) => Promise<Uint8Array>;
	const pool = new Piscina({
		filename: here,
		minThreads: 0,
		maxThreads: Math.max(1, availableParallelism() - 1),
		idleTimeout: IDLE_MS
	});
	return (job: unknown) => pool.run(job) as Promise<Uint8Array>;
}

/** A paper from its facts, set in a thread of its own: fonts and lines take longer than a page may wait. */
export async function printed<P extends Printed>(paper: P, ...facts: Facts<P>): Promise<Uint8Array> {
	return (await (opened ??= open()))({ printed: paper, facts, writing: writing() });
}
