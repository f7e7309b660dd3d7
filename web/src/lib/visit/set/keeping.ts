import type { GroupTarget, SounderId, StringReading } from '@fendrel/core';
import type { SettingOptions } from './settingOptions';
import type { strikeRead } from './strikeRead';

type Kept = Pick<SettingOptions<never>, 'record' | 'source' | 'raise' | 'plan'>;

/** Puts a strike on record. @returns the reading's id */
export function storeStrike(
	{ record, source }: Kept,
	measured: StringReading,
	{ off, listened }: ReturnType<typeof strikeRead>,
	sounders: readonly SounderId[],
	{ pitch }: GroupTarget
): string {
	return record.read(measured, {
		...{ sounders, source: source(), target: pitch, deviation: off },
		listened: listened?.partial ?? null
	}).id;
}

/**
 * Takes strings as set, or as left in a pass.
 * @param reading the strike it rests on; null: by ear
 */
export function acceptStrings(
	{ record, raise, plan }: Kept,
	sounders: readonly SounderId[],
	{ pitch, note }: GroupTarget,
	reading: string | null
): void {
	record.act({
		do: 'accept',
		sounders,
		purpose: raise ? 'raised' : 'set',
		pass: raise?.pass ?? 1,
		reading,
		setTo: pitch,
		final: raise ? (plan.targetOf(note)?.pitch ?? null) : pitch,
		plan: record.report.plan?.id ?? null
	});
}
