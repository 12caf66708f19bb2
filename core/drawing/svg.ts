import { PT_PER_MM, type Drawing, type Shape } from './shapes.ts';

const number = (value: number): string => String(Math.round(value * 1000) / 1000);
const escaped = (text: string): string =>
	text.replaceAll('&', '&amp;').replaceAll('<', '&lt;').replaceAll('>', '&gt;').replaceAll('"', '&quot;');

/** The typeface's name in SVG; whoever shows the drawing has to have it loaded. */
export const FONT_FAMILY = 'Arimo';

function element(shape: Shape): string {
	if (shape.kind === 'bar')
		return `<rect x="${number(shape.x_pt)}" y="${number(shape.y_pt)}" width="${number(shape.width_pt)}" height="${number(shape.height_pt)}"/>`;
	const style = [
		shape.weight === 700 ? ' font-weight="700"' : '',
		shape.italic ? ' font-style="italic"' : '',
		shape.waits ? ' fill="#85560f"' : ''
	].join('');
	return `<text x="${number(shape.x_pt)}" y="${number(shape.baseline_pt)}" font-size="${number(shape.size_pt)}"${style} xml:space="preserve">${escaped(shape.text)}</text>`;
}

/**
 * The drawing as an SVG document at its true size in millimetres. `styles` goes into it, for a file that
 * brings its typeface along.
 */
export function toSvg(drawing: Drawing, styles = ''): string {
	const { width_pt, height_pt } = drawing;
	const size = `width="${number(width_pt / PT_PER_MM)}mm" height="${number(height_pt / PT_PER_MM)}mm"`;
	return [
		`<svg xmlns="http://www.w3.org/2000/svg" ${size} viewBox="0 0 ${number(width_pt)} ${number(height_pt)}" font-family="${FONT_FAMILY}, Arial, sans-serif" font-kerning="none" fill="#000">`,
		...(styles ? [`<style>${styles}</style>`] : []),
		...drawing.shapes.map(element),
		'</svg>'
	].join('\n');
}
