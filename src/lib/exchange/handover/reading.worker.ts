import { expose } from 'comlink';
import jsQR from 'jsqr';
import { Gathering, type Gathered } from './pictures';

const gathering = new Gathering();

/** Reads a picture of the camera: what has been gathered with it; nothing where no code is in it, or none of ours. */
function read(image: ImageBitmap): Gathered | 'foreign' | undefined {
	const { width, height } = image;
	const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true });
	if (!context) throw new Error('this browser lends its workers no canvas');
	context.drawImage(image, 0, 0);
	image.close();
	const { data } = context.getImageData(0, 0, width, height);
	const code = jsQR(data, width, height, { inversionAttempts: 'dontInvert' });
	return code?.data ? (gathering.add(code.data) ?? 'foreign') : undefined;
}

expose({ read });
