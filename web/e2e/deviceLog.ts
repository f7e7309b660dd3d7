import type { BrowserContext, Page } from '@playwright/test';

/* What a device has put among what waits, by its own log: what the server is asked about afterwards. */

/**
 * What a device keeps in its own log: every item that it meant to put among what waits, and every one that was kept. A page
 * that is killed in between may have kept more than it could still write down.
 */
export async function keepLog(context: BrowserContext): Promise<void> {
	await context.addInitScript(() => {
		const add = IDBObjectStore.prototype.add;
		IDBObjectStore.prototype.add = function (value: unknown, key?: IDBValidKey) {
			if (this.name === 'items') {
				const { id, item } = value as { id: string; item: { kind: string } };
				const write = (log: string) => localStorage.setItem(log, `${localStorage.getItem(log) ?? ''}${id}\n`);
				if (item.kind !== 'pins') {
					write('meant');
					this.transaction.addEventListener('complete', () => write('kept'));
				}
			}
			return key === undefined ? add.call(this, value) : add.call(this, value, key);
		};
	});
}

/** What was kept, or meant to be: ids in order. */
export const logged = (page: Page, log: 'kept' | 'meant'): Promise<string[]> =>
	page.evaluate((name) => (localStorage.getItem(name) ?? '').split('\n').filter(Boolean), log);

/** How many entries a device has not handed over yet, and why any were refused. */
export const leftOn = (page: Page): Promise<{ items: number; refused: string[] }> =>
	page.evaluate(async () => {
		const ask = <T>(asked: IDBRequest<T>) =>
			new Promise<T>((resolve, reject) => {
				asked.onsuccess = () => resolve(asked.result);
				asked.onerror = () => reject(asked.error);
			});
		const db = await ask(indexedDB.open('fendrel'));
		const change = db.transaction(['items', 'refused']);
		const items = (await ask(change.objectStore('items').getAll())) as { item: { kind: string } }[];
		const refused = (await ask(change.objectStore('refused').getAll())) as { why: string }[];
		db.close();
		return {
			items: items.filter(({ item }) => item.kind !== 'pins').length,
			refused: refused.map(({ why }) => why)
		};
	});
