import type { FlowReading } from '$lib/standins/flowMeter';

/** A line longer than this is none: something else is on the other end. */
const LONGEST = 80;
const LINE = /^(\d+(?:\.\d+)?)(?:[ ,;\t]+(\d+(?:\.\d+)?))?$/;

/**
 * One line of a meter that sends: the total, and perhaps the litres a minute after a space, comma, semicolon or tab (docs/flow-meter.md).
 *
 * @returns nothing where it is none, such as a comment (`#`) or a torn line
 */
export function readMeterLine(line: string): FlowReading | undefined {
	const [, total, lpm] = LINE.exec(line.trim()) ?? [];
	if (total === undefined) return undefined;
	return { shows: Number(total), ...(lpm === undefined ? {} : { lpm: Number(lpm) }) };
}

/** Puts pieces of text together to lines and reads them: a piece may end anywhere, the first line may have lost its head. */
export class MeterLines {
	#rest = '';
	/** what was under way as one began to listen is no whole line */
	#isTorn = true;

	/** @returns the readings whose lines ended in this piece */
	take(piece: string): readonly FlowReading[] {
		const lines = (this.#rest + piece).split(/\r\n|\n|\r/);
		this.#rest = (lines.pop() ?? '').slice(-LONGEST);
		const whole = this.#isTorn ? lines.slice(1) : lines;
		if (lines.length > 0) this.#isTorn = false;
		return whole.flatMap((line) => readMeterLine(line) ?? []);
	}
}
