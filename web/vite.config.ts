import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig } from 'vite';

export default defineConfig({
	plugins: [tailwindcss(), sveltekit()],
	// The core is TypeScript source in this repository, not a built package.
	ssr: { noExternal: ['@fendrel/core'] },
	// A worker or font inlined as a data address would be refused by the content security policy.
	build: { assetsInlineLimit: 0 },
	worker: {
		format: 'es',
		// The decoder names one kind of file whose package it does not bring along; such a file is not read.
		rolldownOptions: { external: ['@audio/decode-ape'] }
	}
});
