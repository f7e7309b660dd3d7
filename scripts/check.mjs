// @ts-check
// npm run check: types, lint, dependency rules, cycles, format.
import { spawnSync } from 'node:child_process';
import { ROOT } from './lib/system.mjs';

const CHECKS = [
	['npx', 'tsc', '-p', 'core'],
	['npx', 'tsc', '-p', 'tsconfig.tools.json'],
	['npm', 'run', '--silent', 'check', '-w', 'web'],
	['npx', 'eslint', '--max-warnings', '0', '.'],
	['npx', 'depcruise', '--config', '.dependency-cruiser.js', 'core/src', 'web/src'],
	['npx', 'prettier', '--check', '--log-level', 'warn', '.']
];

let failed = false;
for (const [command, ...args] of CHECKS) {
	const { status } = spawnSync(command, args, { cwd: ROOT, stdio: 'inherit' });
	if (status !== 0) {
		failed = true;
		console.error(`fendrel: failed: ${command} ${args.join(' ')}`);
	}
}
process.exit(failed ? 1 : 0);
