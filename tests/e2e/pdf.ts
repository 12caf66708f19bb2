/** How many pages a PDF has, and the words of its first. */
export async function readPdf(bytes: Uint8Array): Promise<{ count: number; text: string }> {
	const { getDocument } = await import('pdfjs-dist/legacy/build/pdf.mjs');
	const pdf = await getDocument({ data: new Uint8Array(bytes) }).promise;
	const content = await (await pdf.getPage(1)).getTextContent();
	return {
		count: pdf.numPages,
		text: content.items.map((item) => ('str' in item ? item.str : '')).join(' ')
	};
}
