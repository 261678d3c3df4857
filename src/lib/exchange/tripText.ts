import { importText } from '$core/formats';
import { readWay, type Way, type WayContext } from '$core/quickline';

/** A trip from text: a stop a line as people write it, or a calendar as a program wrote it. */
export function readTripText(context: WayContext): Way {
	if (!/^\s*BEGIN:VCALENDAR/im.test(context.text)) return readWay(context);
	const { stops, problems } = importText('ics', context.text, { timeZone: context.timeZone });
	const lineOf = (path: string): number => Number(/\d+/.exec(path)?.[0] ?? 1);
	return {
		stops: stops.map(({ id: _id, ...stop }) => stop),
		lines: [],
		problems: problems.map(({ path, expected, got }) => ({ line: lineOf(path), expected, got }))
	};
}
