<script lang="ts">
	import { readNote, registerName, type NoteRecord, type SettingStep } from '@fendrel/core';
	import { signed } from '$lib/ui/format';

	interface Props {
		order: readonly SettingStep[];
		index: number;
		notes: ReadonlyMap<number, NoteRecord>;
		/** What the family calls its groups. */
		nameOf: (note: number) => string;
		isDone: (step: SettingStep) => boolean;
		onselect: (note: number) => void;
		/** Cents above its target that a note is set to in a raise. */
		overOf?: (note: number) => number;
		/** Somebody types the name of a note to go to. */
		isFinding?: boolean;
		/** Told when nobody does any more. */
		onfound?: () => void;
	}
	let { order, index, notes, nameOf, isDone, onselect, overOf, isFinding = false, onfound }: Props = $props();
	let typed = $state('');
	let wrong = $state('');
	function find() {
		const note = readNote(typed);
		const isThere = note !== undefined && order.some((step) => step.note === note);
		wrong = isThere ? '' : note === undefined ? 'A name like C♯4.' : `${nameOf(note)} is not in this order.`;
		if (!isThere) return;
		onselect(note);
		typed = '';
		onfound?.();
	}
	function onkeydown(event: KeyboardEvent) {
		if (event.key === 'Enter') find();
		else if (event.key === 'Escape') onfound?.();
		else return;
		event.preventDefault();
		event.stopPropagation();
	}
	const TITLES: Record<SettingStep['section'], string> = {
		reference: 'Reference',
		temperament: 'Temperament octave',
		upwards: 'Upwards',
		downwards: 'Downwards',
		unisons: 'Unisons',
		raise: 'This pass',
		touch: 'To touch'
	};
	const section = $derived(order[index].section === 'reference' ? 'temperament' : order[index].section);
	const steps = $derived(
		order.filter((step) => step.section === section || (section === 'temperament' && step.section === 'reference'))
	);
	const done = $derived(steps.filter(isDone).length);
	const SHORT: Record<string, string> = {
		...{ fourth: '4th', fifth: '5th', tenth: '10th', 'minor third': 'min. 3rd', 'major third': '3rd' },
		...{ 'major sixth': '6th', 'double octave': '15th' }
	};
	const how = ({ note, against, interval, section, unison, register }: SettingStep) => {
		if (register) return `its ${registerName(register).toLowerCase()}`;
		if (unison) return 'its unison';
		if (section === 'raise') return overOf ? `to ${signed(overOf(note))}` : '';
		if (against === undefined || !interval) return section === 'reference' ? 'reference' : 'by the figure';
		const name = SHORT[interval.name] ?? '8ve';
		return `${name} ${against < note ? 'over' : 'under'} ${nameOf(against)}`;
	};
	let list = $state<HTMLOListElement>();
	$effect(() => {
		const row = list?.children[steps.indexOf(order[index])] as HTMLElement | undefined;
		if (row && list) list.scrollTop = row.offsetTop - list.offsetTop - list.clientHeight / 2;
	});
</script>

<section>
	<h2 class="panel-heading">
		{steps.some(({ register }) => register) ? 'Registers' : TITLES[section]}: {done} of {steps.length}
	</h2>
	{#if isFinding}
		<!-- svelte-ignore a11y_autofocus -->
		<input
			class="input find"
			aria-label="Name of the note to go to"
			aria-invalid={wrong !== ''}
			placeholder="Go to, e.g. F#3"
			autofocus
			bind:value={typed}
			{onkeydown}
			onblur={() => onfound?.()}
		/>
		{#if wrong}<p class="problem find" role="alert">{wrong}</p>{/if}
	{/if}
	<ol bind:this={list}>
		{#each steps as step (`${step.note} ${step.unison} ${step.register}`)}
			{@const record = notes.get(step.note)}
			<li>
				<button
					type="button"
					aria-current={step === order[index] ? 'step' : undefined}
					onclick={() => onselect(step.note)}
				>
					<b>{nameOf(step.note)}</b>
					<span>{how(step)}</span>
					<span class="mono"
						>{step.unison
							? isDone(step)
								? 'still'
								: ''
							: record?.set
								? record.left === undefined
									? 'ear'
									: signed(record.left)
								: ''}</span
					>
				</button>
			</li>
		{/each}
	</ol>
</section>

<style>
	section {
		display: flex;
		flex-direction: column;
		min-height: 0;
		height: 100%;
	}
	h2 {
		padding: 1rem 0.75rem 0.5rem 1.5rem;
	}
	.find {
		width: auto;
		margin: 0 0.75rem 0.4rem 1.25rem;
	}
	ol {
		overflow: auto;
		flex: 1;
		min-height: 0;
	}
	button {
		display: grid;
		grid-template-columns: 3.1rem 1fr auto;
		align-items: center;
		gap: 0.25rem;
		width: 100%;
		min-height: 36px;
		padding: 0 0.75rem 0 1.25rem;
		border-left: 5px solid transparent;
		text-align: left;
		cursor: pointer;
	}
	button:hover {
		background: var(--sheet);
	}
	button > span:nth-child(2) {
		color: var(--soft);
		font-size: 0.9rem;
		white-space: nowrap;
	}
	.mono {
		font-size: 0.9rem;
	}
	[aria-current] {
		background: var(--felt-wash);
		border-left-color: var(--felt);
		min-height: 44px;
	}
	[aria-current] b {
		font-size: 1.2rem;
	}
	[aria-current] > span:nth-child(2) {
		color: var(--ink);
	}
	@media (max-width: 1100px) {
		h2 {
			padding-left: 0.75rem;
		}
		button {
			grid-template-columns: 2.6rem 1fr auto;
			padding: 0 0.5rem 0 0.5rem;
		}
	}
	@media (pointer: coarse) {
		button {
			min-height: 44px;
		}
	}
</style>
