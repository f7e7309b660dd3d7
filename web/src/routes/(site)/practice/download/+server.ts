import { error } from '@sveltejs/kit';
import { writeCsv } from '$lib/ui/csv';
import { signedInOf } from '$lib/server/auth/guard';
import { sittingsOf } from '$lib/server/db/stores/sittings';

/** One's own answers in one file: a line each as CSV, sitting by sitting as JSON. */
export async function GET({ locals, url }) {
	const format = url.searchParams.get('format') ?? 'json';
	if (format !== 'json' && format !== 'csv')
		error(400, { message: 'There is no such file. The formats are csv and json.' });
	const sittings = (await sittingsOf(signedInOf(locals).userId, Infinity)).map(
		({ drill, register, beganAt, trials, isGuessed }) => ({
			...{ drill, register, began: beganAt.toISOString(), guessed: isGuessed },
			answers: trials.map(({ size, isRight }) => ({ size: Number(size.toPrecision(5)), right: isRight }))
		})
	);
	const COLUMNS = ['began', 'drill', 'register', 'answer', 'size', 'right', 'guessed'] as const;
	const lines = sittings.flatMap(({ began, drill, register, guessed, answers }) =>
		answers.map(({ size, right }, i) => ({
			...{ began, drill, register, answer: i + 1, size, right: Number(right), guessed: Number(guessed) }
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
