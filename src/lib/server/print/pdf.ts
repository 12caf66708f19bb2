import { PT_PER_MM, type Drawing, type Shape } from '$core/drawing/shapes.ts';
import { places, type Sheet } from '$core/label/sheets.ts';
import PDFDocument from 'pdfkit';
import { FACES, faceForPdf, type Face } from './fonts.ts';

type Pdf = InstanceType<typeof PDFDocument>;

/** What labels are drawn on: a sheet from place `start`, or a roll, each a page of its own size. */
export type PrintedOn = { sheet: Sheet; start: number } | 'roll';

/** Takes a piece of a PDF, with how many labels are drawn by then. */
export type Give = (piece: Uint8Array<ArrayBuffer>, drawn: number) => Promise<void> | void;

/** So many labels are drawn before what there is of them is given. */
const GIVEN_EVERY = 50;

/** Labels as a PDF, whole. */
export async function labelsPdf(
	title: string,
	drawing: Drawing,
	copies: number,
	on: PrintedOn
): Promise<Uint8Array<ArrayBuffer>> {
	const pieces: Uint8Array[] = [];
	await writeLabels(title, drawing, copies, on, (piece) => void pieces.push(piece));
	return new Uint8Array(Buffer.concat(pieces));
}

/** Draws labels as a PDF and gives it piece by piece, each once the one before it is taken. */
export async function writeLabels(
	title: string,
	drawing: Drawing,
	copies: number,
	on: PrintedOn,
	give: Give
): Promise<void> {
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
	let chunks: Uint8Array[] = [];
	pdf.on('data', (chunk: Uint8Array) => chunks.push(chunk));
	const done = new Promise<void>((resolve, reject) => {
		pdf.on('end', resolve);
		pdf.on('error', reject);
	});
	// It is waited for at the end; what fails before then is not to end the process.
	done.catch(() => undefined);
	const giveAll = async (drawn: number) => {
		const piece = new Uint8Array(Buffer.concat(chunks));
		chunks = [];
		if (piece.length > 0) await give(piece, drawn);
	};
	const at =
		on === 'roll'
			? Array.from({ length: copies }, (_, index) => ({ page: index, x_mm: 0, y_mm: 0 }))
			: places(on.sheet, on.start, copies);
	let current = -1;
	let drawn: Drawn | null = null;
	for (const [index, place] of at.entries()) {
		for (; current < place.page; current++) pdf.addPage();
		pdf.save().translate(place.x_mm * PT_PER_MM, place.y_mm * PT_PER_MM);
		if (drawn) drawAgain(pdf, drawn);
		else drawn = draw(pdf, drawing);
		pdf.restore();
		if (index % GIVEN_EVERY === GIVEN_EVERY - 1) {
			// What was drawn comes out between turns.
			await new Promise(setImmediate);
			await giveAll(index + 1);
		}
	}
	pdf.end();
	await done;
	await giveAll(copies);
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
