import { PT_PER_MM, type Drawing, type Shape } from '$core/drawing/shapes.ts';
import { places, type Sheet } from '$core/label/sheets.ts';
import PDFDocument from 'pdfkit';
import { FACES, faceForPdf, type Face } from './fonts.ts';

type Pdf = InstanceType<typeof PDFDocument>;

/** Labels as a PDF: on a sheet from place `start`, or on a roll, each a page of its own size. */
export function labelsPdf(
	title: string,
	drawing: Drawing,
	copies: number,
	on: { sheet: Sheet; start: number } | 'roll'
): Promise<Uint8Array<ArrayBuffer>> {
	const page =
		on === 'roll'
			? [drawing.width_pt, drawing.height_pt]
			: [on.sheet.page.width_mm * PT_PER_MM, on.sheet.page.height_mm * PT_PER_MM];
	const pdf = new PDFDocument({
		size: page as [number, number],
		margin: 0,
		autoFirstPage: false,
		info: { Title: title }
	});
	for (const face of FACES) pdf.registerFont(face, faceForPdf(face));
	const chunks: Uint8Array[] = [];
	pdf.on('data', (chunk: Uint8Array) => chunks.push(chunk));
	const done = new Promise<Uint8Array<ArrayBuffer>>((resolve, reject) => {
		pdf.on('end', () => resolve(new Uint8Array(Buffer.concat(chunks))));
		pdf.on('error', reject);
	});
	const at =
		on === 'roll'
			? Array.from({ length: copies }, (_, index) => ({ page: index, x_mm: 0, y_mm: 0 }))
			: places(on.sheet, on.start, copies);
	let current = -1;
	let drawn: Drawn | null = null;
	for (const place of at) {
		for (; current < place.page; current++) pdf.addPage();
		pdf.save().translate(place.x_mm * PT_PER_MM, place.y_mm * PT_PER_MM);
		if (drawn) drawAgain(pdf, drawn);
		else drawn = draw(pdf, drawing);
		pdf.restore();
	}
	pdf.end();
	return done;
}

/** What drawing something wrote into its page, and the fonts it took. */
interface Drawn {
	content: string[];
	fonts: Record<string, unknown>;
}

/** Draws it at the origin; what was written for it can be written again. */
function draw(pdf: Pdf, drawing: Drawing): Drawn {
	const content: string[] = [];
	const write = pdf.addContent.bind(pdf);
	pdf.addContent = (operators: string) => {
		content.push(operators);
		return write(operators);
	};
	for (const shape of drawing.shapes) drawShape(pdf, shape);
	pdf.addContent = write;
	return { content, fonts: { ...(pdf.page.fonts as Drawn['fonts']) } };
}

/** Draws the same again: its letters need not be set anew, of which a thousand labels have a hundred thousand. */
function drawAgain(pdf: Pdf, { content, fonts }: Drawn): void {
	Object.assign(pdf.page.fonts as Drawn['fonts'], fonts);
	pdf.addContent(content.join('\n'));
}

function drawShape(pdf: Pdf, shape: Shape): void {
	if (shape.kind === 'bar') {
		pdf.rect(shape.x_pt, shape.y_pt, shape.width_pt, shape.height_pt).fill('#000');
		return;
	}
	const face: Face = shape.weight === 700 ? '700-normal' : shape.italic ? '400-italic' : '400-normal';
	pdf.font(face).fontSize(shape.size_pt).fillColor('#000');
	// The core's widths know no kerning; nor may the PDF, or texts set side by side would not meet.
	pdf.text(shape.text, shape.x_pt, shape.baseline_pt, {
		lineBreak: false,
		baseline: 'alphabetic',
		features: []
	});
}
