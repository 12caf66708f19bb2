import { listLabels } from '$lib/server/labels/read.ts';
import { labelState } from '$lib/label/types.ts';
import { unsureFigures } from '$lib/server/sure/unsure.ts';
import { knownPage } from '$lib/server/page.ts';
import type { PageServerLoad } from './$types';

export const load: PageServerLoad = ({ locals }) =>
	knownPage(locals, 'labels', async () => {
		const { db, kitchen } = locals;
		const labels = await listLabels(db, kitchen);
		const unsure = await unsureFigures(db, kitchen, labels);
		return {
			labels: labels.map((label) => ({
				id: label.product.id,
				rules: label.plainRecipe.rules,
				name: label.product.name,
				packPieces: label.product.packPieces,
				pieceMany: label.product.pieceMany,
				state: labelState(label),
				revision: label.revisions[0]?.number ?? null,
				approvedAt: label.revisions[0]?.approvedAt ?? null,
				waits: [...label.blocks.map((block) => block.message), ...label.misfits],
				changes: label.changes.map((change) => change.what),
				unsure: unsure.get(label) ?? []
			}))
		};
	});
