import { svelte } from '@sveltejs/vite-plugin-svelte';
import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vitest/config';

const alias = {
	$core: fileURLToPath(new URL('core', import.meta.url)),
	$lib: fileURLToPath(new URL('src/lib', import.meta.url))
};

export default defineConfig({
	test: {
		projects: [
			{
				resolve: { alias },
				// For modules with runes in them.
				plugins: [svelte()],
				test: {
					name: 'unit',
					include: ['core/**/*.test.ts', 'src/**/*.test.ts', 'stand-ins/**/*.test.ts'],
					// What they load is loaded once: half of their time went into loading it for each file.
					isolate: false,
					// Properties try hundreds of cases, and a busy machine takes its time.
					testTimeout: 30_000
				}
			},
			{
				resolve: { alias },
				// One database for all of them, so one file after the other; what they load is loaded once.
				test: {
					name: 'integration',
					include: ['tests/integration/**/*.test.ts'],
					fileParallelism: false,
					isolate: false,
					testTimeout: 60_000,
					hookTimeout: 60_000
				}
			},
			{
				resolve: { alias },
				// Minutes long, with three database nodes: by its own command, `npm test -- cluster`.
				test: { name: 'cluster', include: ['tests/cluster/**/*.test.ts'], fileParallelism: false }
			}
		]
	}
});
