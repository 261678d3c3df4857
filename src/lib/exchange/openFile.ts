import { formatOf, importText, type Imported, type ImportFormat } from '$core/formats';
import type { Logbook, Stop } from '$core/logbook';
import { legsAlong, thinned, wayThrough, type LegAlong, type LatLon } from '$core/places';
import { decoded, type Decoded } from './decode';

/** Beside what a file is read. */
export interface Beside {
	readonly logbook: Logbook;
	readonly rig: string;
	readonly timeZone: string;
	/** the stops that a way in it may lead along */
	readonly stops: readonly Stop[];
}

/** A way that was found in a file: how long it is, what is kept of it, and what it says of the stops. */
export interface FoundWay {
	readonly places: number;
	readonly lengthKm: number;
	readonly track: readonly LatLon[];
	readonly legs: readonly LegAlong[];
}

/** What a file of an open format holds; nothing of it is kept yet. */
export interface OpenFile extends Omit<Imported, 'track'> {
	readonly format: ImportFormat;
	readonly encoding: Decoded['encoding'];
	readonly way?: FoundWay;
}

/**
 * Reads the bytes of a file of an open format: what it is written in and of which format it is are found out.
 *
 * @throws RangeError where it is a logbook of ours
 */
export function readOpenFile(
	bytes: ArrayBuffer,
	{ logbook, rig, timeZone, stops }: Beside,
	onprogress?: (done: number) => void
): OpenFile {
	const { text, encoding } = decoded(bytes);
	const format = formatOf(text);
	if (format === 'logbook') throw new RangeError('a logbook is not read here');
	const { track, ...found } = importText(format, text, { logbook, rig, timeZone, onprogress });
	if (!track || track.length < 2) return { ...found, format, encoding };
	const whole = wayThrough(track);
	const legs = legsAlong(whole, stops);
	return {
		...found,
		format,
		encoding,
		way: { places: track.length, lengthKm: whole.lengthKm, track: thinned(track), legs }
	};
}
