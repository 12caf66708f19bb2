const DOTS_PER_INCH = 300;
const MM_PER_INCH = 25.4;

/**
 * Saves the SVG at `address` as a PNG of its true size at 300 dots to the inch. Rejects when the server
 * does not answer or the browser cannot draw it.
 */
export async function savePng(
	address: string,
	width_mm: number,
	height_mm: number,
	name: string
): Promise<void> {
	const response = await fetch(address);
	if (!response.ok) throw new Error(`the server answered ${response.status}`);
	const source = URL.createObjectURL(await response.blob());
	try {
		const image = new Image();
		image.src = source;
		await image.decode();
		const canvas = document.createElement('canvas');
		canvas.width = Math.round((width_mm / MM_PER_INCH) * DOTS_PER_INCH);
		canvas.height = Math.round((height_mm / MM_PER_INCH) * DOTS_PER_INCH);
		const pen = canvas.getContext('2d');
		if (!pen) throw new Error('no canvas');
		pen.fillStyle = 'white';
		pen.fillRect(0, 0, canvas.width, canvas.height);
		pen.drawImage(image, 0, 0, canvas.width, canvas.height);
		const link = document.createElement('a');
		link.href = canvas.toDataURL('image/png');
		link.download = name;
		link.click();
	} finally {
		URL.revokeObjectURL(source);
	}
}
