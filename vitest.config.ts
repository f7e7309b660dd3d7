import { defineConfig } from 'vitest/config';

export default defineConfig({
	test: {
		include: ['core/src/**/*.test.ts', 'web/src/**/*.test.ts', 'scripts/**/*.test.ts'],
		typecheck: { enabled: false }
	}
});
