const MOST_PX = 1200;
const QUALITY = 0.8;

/**
 * A picture made small enough to keep, as the base64 text of a JPEG: no side over 1,200 pixels, and nothing of where and by
 * what it was taken. Rejects where the browser cannot read it.
 */
export async function smallPicture(file: Blob): Promise<string> {
	const image = await createImageBitmap(file);
	const share = Math.min(1, MOST_PX / Math.max(image.width, image.height));
	const canvas = document.createElement('canvas');
	canvas.width = Math.max(1, Math.round(image.width * share));
	canvas.height = Math.max(1, Math.round(image.height * share));
	const pen = canvas.getContext('2d');
	if (!pen) throw new Error('no canvas');
	pen.fillStyle = 'white';
	pen.fillRect(0, 0, canvas.width, canvas.height);
	pen.drawImage(image, 0, 0, canvas.width, canvas.height);
	image.close();
	return canvas.toDataURL('image/jpeg', QUALITY).replace(/^data:image\/jpeg;base64,/, '');
}
