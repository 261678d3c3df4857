import { expose } from 'comlink';
import jsQR from 'jsqr';

/** What a picture of the camera says; nothing where no code is in it. */
function read(image: ImageBitmap): string | undefined {
	const { width, height } = image;
	const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
	if (!context) throw new Error('this browser lends its workers no canvas');
	context.drawImage(image, 0, 0);
	image.close();
	const { data } = context.getImageData(0, 0, width, height);
	return jsQR(data, width, height, { inversionAttempts: 'dontInvert' })?.data;
}

expose({ read });
