// @ts-check
// npm run check: types, lint, dependency rules, cycles, format.
import { runCommand } from './lib/children.mjs';

const CHECKS = [
	// The longest first.
	['npm', 'run', '--silent', 'check', '-w', 'web'],
	['npx', 'eslint', '--max-warnings', '0', '.'],
	['npx', 'tsc', '-p', 'core'],
	['npx', 'tsc', '-p', 'tsconfig.tools.json'],
	['npx', 'depcruise', '--config', '.dependency-cruiser.js', 'core/src', 'web/src'],
	['npx', 'prettier', '--check', '--log-level', 'warn', '.']
];

/** So many at once: most of them keep one core busy. */
const AT_ONCE = 2;

let failed = false;
const waiting = [...CHECKS];
async function work() {
	for (let check = waiting.shift(); check; check = waiting.shift()) {
		const [command, ...args] = check;
		const { status, printed } = await runCommand(command, args, { quiet: true });
		if (status === 0) continue;
		failed = true;
		console.error(`${printed}\nfendrel: failed: ${command} ${args.join(' ')}`);
	}
}
await Promise.all(Array.from({ length: AT_ONCE }, work));
process.exit(failed ? 1 : 0);
