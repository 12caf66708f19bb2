import adapter from '@sveltejs/adapter-node';
import { vitePreprocess } from '@sveltejs/vite-plugin-svelte';

/** @type {import('@sveltejs/kit').Config} */
export default {
	preprocess: vitePreprocess(),
	kit: {
		adapter: adapter({ precompress: true }),
		// Only pages that are worked at register it: see src/lib/keep-page.ts.
		serviceWorker: { register: false },
		alias: { $core: 'core', '$core/*': 'core/*' }
	}
};
