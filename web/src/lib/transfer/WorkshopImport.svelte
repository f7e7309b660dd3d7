<script lang="ts">
	import { v7 as uuid } from 'uuid';
	import { counted, fixed, onTime } from '$lib/ui/format';
	import { readWorkshopFile, sendWorkshop, type FileTold } from './workshopFile';

	let { ondone }: { ondone: () => Promise<void> } = $props();
	let told = $state.raw<FileTold>();
	let problem = $state<string>();
	let share = $state<number>();
	let said = $state<string>();

	async function read(event: Event & { currentTarget: HTMLInputElement }) {
		const input = event.currentTarget;
		const file = input.files?.[0];
		[told, problem, said] = [undefined, undefined, undefined];
		if (file) {
			const found = await readWorkshopFile(file);
			if ('problem' in found) problem = found.problem;
			else told = found;
		}
		input.value = '';
	}
	async function take() {
		share = 0;
		problem = await sendWorkshop(told!, uuid(), (now) => (share = now));
		share = undefined;
		if (problem) return;
		said = `${told!.name} is here, with all that it holds. Whoever belongs to it chooses a new password by a link from you.`;
		told = undefined;
		await ondone();
	}
	const many = (table: string) => told?.counts.get(table) ?? 0;
</script>

<label class="field mt-4"
	><span>Take a whole workshop into this one, while it is empty</span>
	<input type="file" accept=".jsonl,application/x-ndjson" onchange={read} disabled={share !== undefined} /></label
>
{#if problem}<p class="problem" role="alert">{problem}</p>{/if}
{#if said}<p role="status">{said}</p>{/if}
{#if told}
	<p>
		<b>{told.name}</b>, as it stood on {onTime(told.at)}: {counted(many('instruments'), 'instrument')}, {counted(
			many('visits'),
			'visit'
		)},
		{counted(many('readings'), 'reading')}, {counted(many('attachments'), 'photo or sound', 'photos and sounds')}, {counted(
			many('users'),
			'person',
			'people'
		)}.
	</p>
	<button class="btn preset-filled-brand" onclick={take} disabled={share !== undefined}
		>{share === undefined ? 'Take it in' : `${fixed(100 * share, 0)} % sent ...`}</button
	>
{/if}
