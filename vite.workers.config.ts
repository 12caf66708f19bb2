import { fileURLToPath } from 'node:url';
import { defineConfig } from 'vite';

const at = (path: string) => fileURLToPath(new URL(path, import.meta.url));

/** What runs in workers beside the server: the same modules, in files of their own. */
export default defineConfig({
	resolve: { alias: { $core: at('core'), $lib: at('src/lib') } },
	build: {
		ssr: 'src/lib/server/workers/entry.ts',
		outDir: 'build/workers',
		target: 'node20',
		emptyOutDir: true
	}
});
