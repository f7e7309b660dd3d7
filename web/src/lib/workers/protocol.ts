/** A task of a worker: what it takes, what it gives in the end, and what it tells on its way. */
export interface Task<Takes, Gives, Tells = never> {
	readonly takes: Takes;
	readonly gives: Gives;
	readonly tells: Tells;
}

/** The tasks of one worker by name. */
export type Tasks<T> = { [K in keyof T]: Task<unknown, unknown, unknown> };

/** What a page says to its worker. */
export type Asked =
	| { readonly do: 'run'; readonly id: number; readonly task: string; readonly job: unknown }
	| { readonly do: 'give up'; readonly id: number };

/** What a worker says to its page. */
export type Said =
	/** It is loaded and takes jobs. */
	| { readonly is: 'ready' }
	| { readonly is: 'told'; readonly id: number; readonly told: unknown }
	| { readonly is: 'done'; readonly id: number; readonly given: unknown }
	| { readonly is: 'given up'; readonly id: number }
	| { readonly is: 'failed'; readonly id: number; readonly why: string };

const handed = new WeakMap<object, readonly Transferable[]>();

/** Marks what goes over to the other side together with a value, in place of a copy. */
export function handing<T extends object>(value: T, ...parts: Transferable[]): T {
	handed.set(value, parts);
	return value;
}

export function handedWith(value: unknown): Transferable[] {
	return [...((typeof value === 'object' && value !== null && handed.get(value)) || [])];
}
