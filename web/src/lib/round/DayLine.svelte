<script lang="ts">
	import type { ExpectedClimate } from '@fendrel/core';
	import { format } from 'date-fns';
	import { capital, fixed } from '$lib/ui/format';
	import { bookingTitle } from './diary/booking';
	import type { DayBlock } from './dayLine';
	import type { RoundInstrument } from './round';
	import { temperatureWords } from '$lib/ui/measures';

	interface Props {
		from: number;
		hours: readonly number[];
		blocks: readonly DayBlock[];
		instruments: ReadonlyMap<string, RoundInstrument>;
		/** Whoever looks: whose bookings need no name. */
		me: string;
		/** Which instrument is gone to with which key. */
		keys: readonly string[];
		onbegin: (id: string) => void;
	}
	let { from, hours, blocks, instruments, me, keys, onbegin }: Props = $props();
	/** Pixels of an hour; a block is as high as its words at least. */
	const HOUR = 62;
	/** Pixels of a line of its words, and of what stands above them. */
	const TEXT = { line: 18.5, top: 34 } as const;
	const linesIn = (hours: number) => Math.max(1, Math.floor((hours * HOUR - TEXT.top) / TEXT.line));

	const airWords = ({ humidity, temperature }: ExpectedClimate) =>
		`air about ${fixed(humidity!, 0)} %${temperature === undefined ? '' : `, ${temperatureWords(temperature, 0)}`}`;

	/** What is known of it, in one line: why, how far one had come, what was promised. */
	function about({ booking }: DayBlock): string {
		const of = booking.named.flatMap(({ id }) => instruments.get(id) ?? []);
		const [one] = of;
		const open = of.find((each) => each.open);
		const climate = of.find((each) => each.climate?.humidity !== undefined)?.climate;
		return [
			booking.userId === me ? '' : booking.who,
			open ? `half done, ${open.set} set` : '',
			booking.purpose,
			booking.promised && `promised: ${booking.promised}`,
			...of.map(({ telephone }) => telephone),
			booking.entry,
			booking.place,
			of.length === 1 && one.findings.length ? `to do: ${one.findings.join('; ')}` : '',
			climate ? airWords(climate) : ''
		]
			.filter(Boolean)
			.map((said) => `${capital(said)}.`)
			.join(' ');
	}
</script>

<div class="line" style:height="{hours.length * HOUR}px">
	{#each hours as hour (hour)}
		<span class="hour mono" style:top="{(hour - from) * HOUR}px">{hour}:00</span>
	{/each}
	<ol>
		{#each blocks as block (block.booking.id)}
			{@const { booking, top, hours: long, time, lane, lanes } = block}
			<li
				style:top="{top * HOUR}px"
				style:min-height="{Math.max(long * HOUR - 3, 44)}px"
				style:left="{(100 * lane) / lanes}%"
				style:width="{100 / lanes}%"
			>
				<div>
					<p>
						<a href="/round/diary?on={format(new Date(booking.startsAt), 'yyyy-MM-dd')}"
							><b>{bookingTitle(booking)}</b></a
						>
						<span class="mono soft">{time}</span>
					</p>
					<p class="soft small" style:-webkit-line-clamp={linesIn(long)}>{about(block)}</p>
				</div>
				<span class="does">
					{#each booking.named as { id, name } (id)}
						{@const key = keys.indexOf(id) + 1}
						{@const does = instruments.get(id)?.open ? 'Go on' : 'Begin'}
						<button
							class="choice"
							onclick={() => onbegin(id)}
							aria-label="{does}{does === 'Go on' ? ' with' : ''} {name}"
							>{booking.named.length > 1 ? name : does}{#if key > 0 && key < 10}
								<kbd class="mono soft">{key}</kbd>{/if}</button
						>
					{/each}
				</span>
			</li>
		{/each}
	</ol>
</div>

<style>
	.line {
		position: relative;
		margin-top: 1rem;
	}
	.hour {
		position: absolute;
		left: 0;
		right: 0;
		border-top: 1px solid var(--line);
		color: var(--soft);
		font-size: 0.85rem;
		line-height: 1;
		padding-top: 3px;
	}
	ol {
		position: absolute;
		inset: 0 0 0 3.6rem;
	}
	li {
		position: absolute;
		display: flex;
		justify-content: space-between;
		gap: 0.8rem;
		align-items: start;
		background: var(--sheet);
		border: 1px solid var(--line);
		border-left: 4px solid var(--felt);
		padding: 0.3rem 0.6rem;
		overflow: hidden;
	}
	.does button {
		display: inline-flex;
		align-items: center;
		gap: 0.5rem;
		white-space: nowrap;
	}
	.does {
		display: flex;
		flex-wrap: wrap;
		justify-content: end;
		gap: 0.3rem;
	}
	.small {
		display: -webkit-box;
		-webkit-box-orient: vertical;
		overflow: hidden;
		font-size: 0.9rem;
		line-height: 1.3;
	}
</style>
