<script lang="ts" generics="Kind extends string">
	interface Pair {
		readonly kind: Kind;
		readonly a: { readonly id: string };
		readonly b: { readonly id: string };
		readonly words: readonly string[];
	}
	interface Props {
		pairs: readonly Pair[];
		onmerge: (kind: Kind, from: string, into: string) => void;
	}
	let { pairs, onmerge }: Props = $props();
</script>

<section aria-label="Written alike">
	<h2>Are these the same?</h2>
	<ul>
		{#each pairs as { kind, a, b, words } (`${a.id} ${b.id}`)}
			<li>
				<p>{words[0]} <span class="soft">and</span> {words[1]}</p>
				<div class="does">
					<button class="choice" onclick={() => onmerge(kind, b.id, a.id)}>Keep {words[0]}</button>
					{#if words[0] !== words[1]}<button class="choice" onclick={() => onmerge(kind, a.id, b.id)}
							>Keep {words[1]}</button
						>{/if}
				</div>
			</li>
		{/each}
	</ul>
	<p class="soft">What the one that stays does not say is taken from the other; instruments and bookings go with it.</p>
</section>

<style>
	section {
		margin-bottom: 2rem;
	}
	li {
		padding-block: 0.6rem;
		border-bottom: 1px solid var(--line);
	}
	.does {
		display: flex;
		flex-wrap: wrap;
		gap: 0.6rem;
		margin-top: 0.4rem;
	}
</style>
