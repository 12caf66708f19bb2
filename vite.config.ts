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

/** Loaded where it is needed, and by nothing that is not. */
const APART =
	/node_modules\/(echarts|zrender|bwip-js|qrcode|@simplewebauthn|comlink|svelte-dnd-action|fflate|papaparse|pdfjs|joi)/;

/** What several pages share goes together: a page is then a few files rather than fifty, each of them asked for apart. */
function fewFiles(): Plugin {
	return {
		name: 'few-files',
		apply: 'build',
		config: (_, { isSsrBuild }) =>
			isSsrBuild
				? undefined
				: {
						build: {
							rolldownOptions: {
								output: {
									advancedChunks: {
										groups: [{ name: 'shared', minShareCount: 3, test: (id: string) => !APART.test(id) }]
									}
								}
							}
						}
					}
	};
}

export default defineConfig({
	plugins: [everyRouteHasARule(), fewFiles(), tailwindcss(), sveltekit()],
	server: { host: '127.0.0.1' }
});
