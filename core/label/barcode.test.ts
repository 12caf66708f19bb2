import { describe, expect, it } from 'vitest';
import { PT_PER_MM } from '../drawing/shapes.ts';
import { drawBarcode, gtinProblem } from './barcode.ts';

describe('a trade item number', () => {
	// 01234567890 from the right: 3·(0+8+6+4+2+0) + 1·(9+7+5+3+1) = 60 + 25 = 85, and 5 makes 90
	// 200000000000: the 2 is twelfth from the right, 1·2 = 2, and 8 makes 10
	it.each(['012345678905', '2000000000008', '2012345678903'])('%s is sound', (digits) => {
		expect(gtinProblem(digits)).toBeNull();
	});
	it('says which check digit it would have to have', () => {
		expect(gtinProblem('012345678904')).toContain('would have to be 5');
	});
	it.each(['', '12345678901', '12345678901234', '01234567890x'])('“%s” is none', (digits) => {
		expect(gtinProblem(digits)).toContain('12 or 13 digits');
	});
});

describe('a barcode on the label', () => {
	// three bars of 1, 2 and 1 modules with spaces of 1 between: 6 modules, and 11 clear at each end
	const barcode = { digits: '012345678905', bars: [1, 1, 2, 1, 1] };
	const width = (module_mm: number) => 28 * module_mm * PT_PER_MM;

	it('is full size where there is room, the least size where there is not', () => {
		expect(drawBarcode(barcode, 0, 0, width(0.33)).width_pt).toBeCloseTo(width(0.33), 9);
		expect(drawBarcode(barcode, 0, 0, width(0.33) - 0.01).width_pt).toBeCloseTo(width(0.264), 9);
		expect(drawBarcode(barcode, 0, 0, 1).width_pt).toBeCloseTo(width(0.264), 9);
	});

	it('has its bars between the clear ends, and its digits below', () => {
		const { shapes, height_pt } = drawBarcode(barcode, 10, 20, 1000);
		const module = 0.33 * PT_PER_MM;
		const bars = shapes.filter((shape) => shape.kind === 'bar');
		expect(bars.map((bar) => (bar.x_pt - 10) / module)).toEqual(
			[11, 13, 16].map((at) => expect.closeTo(at, 9) as number)
		);
		expect(bars.map((bar) => bar.width_pt / module)).toEqual(
			[1, 2, 1].map((wide) => expect.closeTo(wide, 9) as number)
		);
		const [digits] = shapes.filter((shape) => shape.kind === 'text');
		expect(digits?.text).toBe('012345678905');
		expect(digits?.baseline_pt).toBeLessThanOrEqual(20 + height_pt);
	});
});
