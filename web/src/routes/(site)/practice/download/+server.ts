import type { Answer } from '@fendrel/core';
import { error } from '@sveltejs/kit';
import { writeCsv } from '$lib/ui/csv';
import { signedInOf } from '$lib/server/auth/guard';
import { sittingsOf } from '$lib/server/db/stores/sittings';

const COLUMNS = [
	...['began', 'drill', 'register', 'answer', 'size', 'right', 'guessed'],
	...['way', 'from', 'asked', 'set', 'tries', 'seconds', 'note', 'last']
] as const;

const short = (value: number) => Number(value.toPrecision(5));

function answerOf(answer: Answer) {
	if ('size' in answer) {
		const { size, isRight, way } = answer;
		return { size: short(size), right: isRight, ...(way && { way }) };
	}
	const { from, asked, set, tries, seconds, note, last, moves } = answer;
	return {
		...{ from: short(from), asked: short(asked), set: short(set), tries, seconds: short(seconds), note, last },
		...(moves && { moves: moves.map((move) => ({ asked: short(move.asked), set: short(move.set) })) })
	};
}

/** As a line of a table: yes is 1, what is not said is empty, and what has several parts is left to JSON. */
const inLine = (answer: ReturnType<typeof answerOf>): Record<string, number> =>
	Object.fromEntries(
		Object.entries(answer).flatMap(([name, value]) => {
			if (typeof value === 'boolean') return [[name, Number(value)]];
			return typeof value === 'number' ? [[name, value]] : [];
		})
	);

/** One's own answers in one file: a line each as CSV, sitting by sitting as JSON. */
export async function GET({ locals, url }) {
	const format = url.searchParams.get('format') ?? 'json';
	if (format !== 'json' && format !== 'csv')
		error(400, { message: 'There is no such file. The formats are csv and json.' });
	const sittings = (await sittingsOf(signedInOf(locals).userId, Infinity)).map(
		({ drill, register, beganAt, trials, isGuessed }) => ({
			...{ drill, register, began: beganAt.toISOString(), guessed: isGuessed },
			answers: trials.map(answerOf)
		})
	);
	const lines = sittings.flatMap(({ began, drill, register, guessed, answers }) =>
		answers.map((answer, i): Record<string, string | number> => ({
			...{ began, drill, register, answer: i + 1, guessed: Number(guessed) },
			...inLine(answer)
		}))
	);
	const json = () => `${JSON.stringify({ format: 'fendrel-practice', version: 1, sittings }, undefined, '\t')}\n`;
	return new Response(format === 'json' ? json() : writeCsv(lines, COLUMNS), {
		headers: {
			'content-type': `${format === 'json' ? 'application/json' : 'text/csv'}; charset=utf-8`,
			'content-disposition': `attachment; filename="practice.${format}"`
		}
	});
}
