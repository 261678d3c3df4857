import { simulatedDay, type SimulatedDay } from './simulatedRig';

/** A day takes a minute: so often it sends, ms, and so many of them a day are. */
const BEAT_MS = 200;
const DAY_TAKES_MS = 60_000;

// A rig that lives through a day in a minute: what its meter showed, lot by lot, then nothing more.
self.onmessage = ({ data }: MessageEvent<SimulatedDay>) => {
	const showings = simulatedDay(data);
	const [fromMs] = showings[0] ?? [data.toMs];
	const beats = DAY_TAKES_MS / BEAT_MS;
	let [beat, sent] = [0, 0];
	const timer = setInterval(() => {
		beat++;
		const untilMs = fromMs + ((data.toMs - fromMs) * beat) / beats;
		let upTo = sent;
		while (upTo < showings.length && (showings[upTo]?.[0] ?? Infinity) <= untilMs) upTo++;
		self.postMessage({ showings: showings.slice(sent, upTo), ends: beat >= beats });
		sent = upTo;
		if (beat >= beats) clearInterval(timer);
	}, BEAT_MS);
};
