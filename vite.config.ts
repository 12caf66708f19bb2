import { readdirSync } from 'node:fs';
import { dirname } from 'node:path';
import { sveltekit } from '@sveltejs/kit/vite';
import tailwindcss from '@tailwindcss/vite';
import { defineConfig, type Plugin } from 'vite';
import { RULES } from './src/lib/server/edge/door/rules.ts';

/** A route of which the table does not say who may what is not built. */
function everyRouteHasARule(): Plugin {
	return {
		name: 'every-route-has-a-rule',
		apply: 'build',
		buildStart() {
			const files = readdirSync('src/routes', { recursive: true, encoding: 'utf8' });
			const routes = files
				.filter((file) => /(^|\/)\+(page\.svelte|page\.server\.ts|server\.ts)$/.test(file))
				.map((file) => `/${dirname(file)}`.replace(/\/\.$/, '/'));
			const missing = routes.filter((route) => !(route in RULES));
			if (missing.length > 0)
				this.error(`src/lib/server/edge/door/rules.ts says nothing of ${missing.join(', ')}`);
		}
	};
}

export default defineConfig({
	plugins: [everyRouteHasARule(), tailwindcss(), sveltekit()],
	server: { host: '127.0.0.1' }
});
