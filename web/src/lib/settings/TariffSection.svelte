<script lang="ts">
	import { TARIFF_LINES, type Draft } from './draft';
	import type { SettingLines } from './lines';

	interface Props {
		draft: Draft;
		lines: SettingLines;
		/** What the workshop's own visits tell, by line. */
		told: Readonly<Record<string, string>>;
	}
	let { draft, lines, told }: Props = $props();
</script>

<section aria-label="How long, and for how much?">
	<h2><b>How long, and for how much?</b></h2>
	<table>
		<thead
			><tr
				><th></th><th>minutes</th><th
					><input
						class="input sign"
						aria-label="Currency"
						maxlength="6"
						data-setting="currency"
						bind:value={draft.currency}
					/></th
				></tr
			></thead
		>
		<tbody>
			{#each TARIFF_LINES as { id, name } (id)}
				<tr>
					<th scope="row"
						>{name}{#if told[id]}<br /><span class="soft">{told[id]}</span>{/if}</th
					>
					<td
						><input
							class="input mono"
							inputmode="decimal"
							class:differs={lines.differs(`minutes.${id}`)}
							data-setting="minutes.{id}"
							aria-label="{name}: minutes"
							bind:value={draft.minutes[id]}
						/></td
					>
					<td
						><input
							class="input mono"
							inputmode="decimal"
							data-setting="price.{id}"
							aria-label="{name}: price"
							bind:value={draft.price[id]}
						/></td
					>
				</tr>
			{/each}
		</tbody>
	</table>
	<p class="soft">Your own visits count, once there are enough. With no price for a tuning, none is named.</p>
</section>

<style>
	table {
		border-collapse: collapse;
		width: 100%;
	}
	th {
		text-align: left;
		font-weight: 400;
		line-height: 1.25;
	}
	th span {
		font-size: 0.85rem;
	}
	thead th {
		font-size: 0.85rem;
		color: var(--soft);
	}
	td {
		padding: 0.15rem 0 0.15rem 0.75rem;
		width: 1%;
	}
	.input {
		min-height: 44px;
		width: 5.5rem;
		text-align: right;
		color: var(--ink);
	}
	.sign {
		margin-left: 0.75rem;
	}
</style>
